<?php

declare(strict_types=1);

namespace App\Contract;

use BackedEnum;
use LogicException;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprIntegerNode;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprStringNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeItemNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeNode;
use PHPStan\PhpDocParser\Ast\Type\ConstTypeNode;
use PHPStan\PhpDocParser\Ast\Type\GenericTypeNode;
use PHPStan\PhpDocParser\Ast\Type\IdentifierTypeNode;
use PHPStan\PhpDocParser\Ast\Type\NullableTypeNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Ast\Type\UnionTypeNode;
use ReflectionMethod;

/**
 * What routes answer, as JSON Schema: the types that the analyser holds the code to, each name that they have kept as
 * the name of a part of the contract.
 */
final class AnswerSchema
{
    private const PLAIN = [
        'string' => 'string',
        'int' => 'integer',
        'float' => 'number',
        'bool' => 'boolean',
        'null' => 'null',
    ];

    /** @var array<string, array<int|string, mixed>> name → schema of what was referred to */
    private array $named = [];

    /** @var array<string, class-string> name → where it is said */
    private array $homes = [];

    public function __construct(private readonly TypeNames $names, private readonly FileSchema $file)
    {
    }

    /** @return array<int|string, array<int|string, mixed>> */
    public function named(): array
    {
        return [...$this->named, ...$this->file->named()];
    }

    /** @return ?array<int|string, mixed> of what a controller's method answers; null: no JSON of a known shape */
    public function of(ReflectionMethod $method): ?array
    {
        $type = $this->names->answer($method);

        return $type === null ? null : $this->type($type, $method->class);
    }

    /**
     * @param  class-string  $in  the class where the type is said
     * @return array<int|string, mixed>
     */
    private function type(TypeNode $type, string $in): array
    {
        return match (true) {
            $type instanceof NullableTypeNode => $this->union([$type->type, new IdentifierTypeNode('null')], $in),
            $type instanceof UnionTypeNode => $this->union(array_values($type->types), $in),
            $type instanceof ArrayShapeNode => $this->shape($type, $in),
            $type instanceof GenericTypeNode => $this->generic($type, $in),
            $type instanceof ConstTypeNode => ['const' => self::constant($type)],
            $type instanceof IdentifierTypeNode => $this->byName($type->name, $in),
            default => throw self::unknown($type, $in),
        };
    }

    /**
     * @param  list<TypeNode>  $types
     * @param  class-string  $in
     * @return array<int|string, mixed>
     */
    private function union(array $types, string $in): array
    {
        $choices = [];
        $others = [];
        foreach ($types as $type) {
            if ($type instanceof ConstTypeNode && $type->constExpr instanceof ConstExprStringNode) {
                $choices[] = $type->constExpr->value;
            } else {
                $others[] = $this->type($type, $in);
            }
        }
        if ($choices !== []) {
            array_unshift($others, ['type' => 'string', 'enum' => $choices]);
        }
        $plain = array_filter($others, static fn (array $each): bool => array_keys($each) === ['type']);
        if (count($plain) === count($others)) {
            return ['type' => array_column($others, 'type')];
        }

        return count($others) === 1 ? $others[0] : ['anyOf' => $others];
    }

    /**
     * @param  class-string  $in
     * @return array<int|string, mixed>
     */
    private function shape(ArrayShapeNode $shape, string $in): array
    {
        if ($shape->items !== [] && $shape->items[0]->keyName === null) {
            $items = array_map(
                fn (ArrayShapeItemNode $item): array => $this->type($item->valueType, $in),
                $shape->items,
            );

            return [
                'type' => 'array',
                'prefixItems' => $items,
                'minItems' => count($items),
                'maxItems' => count($items),
            ];
        }
        $properties = $required = [];
        foreach ($shape->items as $item) {
            $name = $item->keyName instanceof ConstExprStringNode ? $item->keyName->value : (string) $item->keyName;
            $properties[$name] = $this->type($item->valueType, $in);
            if (! $item->optional) {
                $required[] = $name;
            }
        }

        return ['type' => 'object', 'properties' => $properties] + ($required === [] ? [] : ['required' => $required]);
    }

    /**
     * @param  class-string  $in
     * @return array<int|string, mixed>
     */
    private function generic(GenericTypeNode $type, string $in): array
    {
        $of = $type->genericTypes;
        $last = $of[count($of) - 1];

        return match ((string) $type->type) {
            'list' => ['type' => 'array', 'items' => $this->type($last, $in)],
            'array', 'Map' => ['type' => 'object', 'additionalProperties' => $this->type($last, $in) ?: true],
            'value-of' => $this->choice((string) $last, $in),
            default => throw self::unknown($type, $in),
        };
    }

    /**
     * @param  class-string  $in
     * @return array<int|string, mixed>
     */
    private function choice(string $name, string $in): array
    {
        $enum = $this->names->imported($name, $in);
        if (! is_a($enum, BackedEnum::class, true)) {
            throw new LogicException(sprintf('%s, of %s, is no enum with values.', $name, $in));
        }

        return $this->reference(
            $name,
            $enum,
            static fn (): array => [
                'type' => 'string',
                'enum' => array_map(static fn (BackedEnum $each): string => (string) $each->value, $enum::cases()),
            ],
        );
    }

    /**
     * @param  class-string  $in
     * @return array<int|string, mixed>
     */
    private function byName(string $name, string $in): array
    {
        if (isset(self::PLAIN[$name])) {
            return ['type' => self::PLAIN[$name]];
        }
        if ($name === 'mixed') {
            return [];
        }
        if ($name === 'true' || $name === 'false') {
            return ['type' => 'boolean', 'const' => $name === 'true'];
        }
        [$type, $home] = $this->names->alias($name, $in) ?? throw self::unknown(new IdentifierTypeNode($name), $in);
        if ($home === FileParts::class) {
            return $this->file->of($name);
        }

        return $this->reference($name, $home, fn (): array => $this->type($type, $home));
    }

    /**
     * @param  class-string  $home
     * @param  callable(): array<int|string, mixed>  $make
     * @return array<int|string, mixed>
     */
    private function reference(string $name, string $home, callable $make): array
    {
        if (($this->homes[$name] ?? $home) !== $home) {
            throw new LogicException(sprintf('%s is said in %s and in %s.', $name, $home, $this->homes[$name]));
        }
        if (! isset($this->homes[$name])) {
            $this->homes[$name] = $home;
            $this->named[$name] = $make();
        }

        return ['$ref' => '#/components/schemas/'.$name];
    }

    private static function constant(ConstTypeNode $type): string|int
    {
        return match (true) {
            $type->constExpr instanceof ConstExprStringNode => $type->constExpr->value,
            $type->constExpr instanceof ConstExprIntegerNode => (int) $type->constExpr->value,
            default => throw new LogicException(sprintf('There is no schema for %s.', (string) $type)),
        };
    }

    private static function unknown(TypeNode $type, string $in): LogicException
    {
        return new LogicException(sprintf('There is no schema for %s, of %s.', (string) $type, $in));
    }
}
