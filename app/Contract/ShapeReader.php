<?php

declare(strict_types=1);

namespace App\Contract;

use LogicException;
use ReflectionClass;
use ReflectionParameter;
use Symfony\Component\TypeInfo\TypeResolver\TypeResolver;

/** Reads off a shape's class what its fields are. */
final class ShapeReader
{
    /** @var array<class-string, list<Field>> */
    private array $known = [];

    private readonly TypeResolver $types;

    public function __construct()
    {
        $this->types = TypeResolver::create();
    }

    /**
     * @param  class-string<Shape>  $shape
     * @return list<Field>
     */
    public function fields(string $shape): array
    {
        return $this->known[$shape] ??= $this->read(new ReflectionClass($shape));
    }

    /**
     * @param  ReflectionClass<Shape>  $class
     * @return list<Field>
     */
    private function read(ReflectionClass $class): array
    {
        $constructor = $class->getConstructor() ?? throw new LogicException($class->getName().' has no fields.');
        $says = self::words((string) $constructor->getDocComment());

        return array_map(
            fn (ReflectionParameter $each): Field => new Field(
                $each->getName(),
                $this->types->resolve($each),
                ! $each->isDefaultValueAvailable(),
                $each->isDefaultValueAvailable() ? $each->getDefaultValue() : null,
                $says[$each->getName()] ?? '',
                self::attribute($each, Text::class),
                self::attribute($each, Whole::class),
                self::attribute($each, Items::class),
                self::attribute($each, Document::class),
            ),
            $constructor->getParameters(),
        );
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $of
     * @return ?T
     */
    private static function attribute(ReflectionParameter $parameter, string $of): ?object
    {
        return ($parameter->getAttributes($of)[0] ?? null)?->newInstance();
    }

    /** @return array<int|string, string> parameter → what its docblock says of it */
    private static function words(string $docblock): array
    {
        $text = (string) preg_replace('~\s*\n\s*\*(?!\s*@)\s*~', ' ', $docblock);
        preg_match_all('~@param\s+(?:[^$]*?)\$(\w+)\s+([^@*]+?)\s*(?=\n|\*/|/$|$)~', $text, $found, PREG_SET_ORDER);

        return array_filter(
            array_map(static fn (string $words): string => trim($words, '/ '), array_column($found, 2, 1)),
            static fn (string $words): bool => $words !== '',
        );
    }
}
