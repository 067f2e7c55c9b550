<?php

declare(strict_types=1);

namespace App\Contract;

use LogicException;
use PHPStan\PhpDocParser\Ast\PhpDoc\PhpDocNode;
use PHPStan\PhpDocParser\Ast\Type\GenericTypeNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Lexer\Lexer;
use PHPStan\PhpDocParser\Parser\ConstExprParser;
use PHPStan\PhpDocParser\Parser\PhpDocParser;
use PHPStan\PhpDocParser\Parser\TokenIterator;
use PHPStan\PhpDocParser\Parser\TypeParser;
use PHPStan\PhpDocParser\ParserConfig;
use ReflectionClass;
use ReflectionMethod;

/** Types as docblocks say them, and what the names in them stand for where they are said. */
final class TypeNames
{
    private readonly Lexer $lexer;

    private readonly PhpDocParser $parser;

    /** @var array<class-string, PhpDocNode> */
    private array $docs = [];

    public function __construct()
    {
        $config = new ParserConfig([]);
        $constants = new ConstExprParser($config);
        $this->lexer = new Lexer($config);
        $this->parser = new PhpDocParser($config, new TypeParser($config, $constants), $constants);
    }

    /** @return ?TypeNode what the method answers, where it says so */
    public function answer(ReflectionMethod $method): ?TypeNode
    {
        foreach ($this->parse((string) $method->getDocComment())->getReturnTagValues() as $tag) {
            if ($tag->type instanceof GenericTypeNode && (string) $tag->type->type === 'Answer') {
                return $tag->type->genericTypes[0];
            }
        }

        return null;
    }

    /**
     * @param  class-string  $in
     * @return ?array{TypeNode, class-string} what a name stands for, and the class that says so
     */
    public function alias(string $name, string $in): ?array
    {
        $doc = $this->doc($in);
        foreach ($doc->getTypeAliasTagValues('@phpstan-type') as $alias) {
            if ($alias->alias === $name) {
                return [$alias->type, $in];
            }
        }
        foreach ($doc->getTypeAliasImportTagValues('@phpstan-import-type') as $import) {
            if (($import->importedAs ?? $import->importedAlias) === $name) {
                return $this->alias($import->importedAlias, $this->imported((string) $import->importedFrom, $in));
            }
        }

        return null;
    }

    /**
     * @param  class-string  $in
     * @return class-string that a short name means in the class's file
     */
    public function imported(string $name, string $in): string
    {
        $class = new ReflectionClass($in);
        $code = (string) file_get_contents((string) $class->getFileName());
        $found =
            preg_match('~^use ([\w\\\\]+\\\\'.preg_quote($name, '~').');~m', $code, $use) === 1
                ? $use[1]
                : $class->getNamespaceName().'\\'.$name;
        if (! class_exists($found) && ! interface_exists($found)) {
            throw new LogicException(sprintf('%s names %s, which there is not.', $in, $name));
        }

        return $found;
    }

    /** @param  class-string  $class */
    private function doc(string $class): PhpDocNode
    {
        return $this->docs[$class] ??= $this->parse((string) (new ReflectionClass($class))->getDocComment());
    }

    private function parse(string $docblock): PhpDocNode
    {
        return $this->parser->parse(new TokenIterator($this->lexer->tokenize($docblock === '' ? '/** */' : $docblock)));
    }
}
