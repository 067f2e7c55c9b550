<?php

declare(strict_types=1);

namespace App\Contract;

use Illuminate\Http\UploadedFile;
use LogicException;
use ReflectionClass;
use Symfony\Component\TypeInfo\Type;
use Symfony\Component\TypeInfo\Type\BuiltinType;
use Symfony\Component\TypeInfo\Type\CollectionType;
use Symfony\Component\TypeInfo\Type\NullableType;
use Symfony\Component\TypeInfo\Type\ObjectType;
use Symfony\Component\TypeInfo\TypeIdentifier;

/**
 * Shapes as JSON Schema (2020-12, as OpenAPI 3.1 has it): what the decoder
 * accepts, no more and no less but for parts of a file, which the file's own
 * schema describes.
 */
final class JsonSchema
{
    /** @var array<string, array<int|string, mixed>> by name: what was referred to */
    private array $named = [];

    public function __construct(private readonly ShapeReader $shapes)
    {
    }

    /** @return array<string, array<int|string, mixed>> */
    public function named(): array
    {
        ksort($this->named);

        return $this->named;
    }

    /**
     * @param  class-string<Shape>  $shape
     * @return array<int|string, mixed> a reference to it
     */
    public function of(string $shape): array
    {
        $name = (new ReflectionClass($shape))->getShortName();
        if (! isset($this->named[$name])) {
            // Known by name before its fields are read: shapes may hold themselves.
            $this->named[$name] = [];
            $this->named[$name] = $this->object($shape);
        }

        return ['$ref' => '#/components/schemas/'.$name];
    }

    /**
     * @param  class-string<Shape>  $shape
     * @return array<int|string, mixed>
     */
    private function object(string $shape): array
    {
        return array_filter([
            'type' => 'object',
            'description' => Docblock::summary(new ReflectionClass($shape)),
            'required' => $this->required($shape),
            'properties' => $this->properties($shape),
        ]);
    }

    /**
     * @param  class-string<Shape>  $shape
     * @return list<string>
     */
    public function required(string $shape): array
    {
        $required = array_filter($this->shapes->fields($shape), static fn (Field $field): bool => $field->required);

        return array_values(array_map(static fn (Field $field): string => $field->name, $required));
    }

    /**
     * @param  class-string<Shape>  $shape
     * @return array<int|string, array<int|string, mixed>>
     */
    public function properties(string $shape): array
    {
        $properties = [];
        foreach ($this->shapes->fields($shape) as $field) {
            // What is left out and what is null are the same, where it may be left out.
            $schema = $field->required ? $this->type($field, $field->type) : $this->orNull($field);
            if ($field->says !== '') {
                $schema['description'] = $field->says;
            }
            if (! $field->required && (is_string($field->default) || is_bool($field->default))) {
                $schema['default'] = $field->default;
            }
            $properties[$field->name] = $schema;
        }

        return $properties;
    }

    /** @return array<int|string, mixed> */
    private function orNull(Field $field): array
    {
        $type = $field->type;

        return self::nullable($this->type($field, $type instanceof NullableType ? $type->getWrappedType() : $type));
    }

    /**
     * @param  array<int|string, mixed>  $schema
     * @return array<int|string, mixed>
     */
    private static function nullable(array $schema): array
    {
        if (! is_string($schema['type'] ?? null)) {
            return ['anyOf' => [$schema, ['type' => 'null']]];
        }
        $choices = isset($schema['enum']) && is_array($schema['enum']) ? ['enum' => [...$schema['enum'], null]] : [];

        return ['type' => [$schema['type'], 'null']] + $choices + $schema;
    }

    /** @return array<int|string, mixed> */
    private function type(Field $field, Type $type): array
    {
        if ($type instanceof NullableType) {
            return self::nullable($this->type($field, $type->getWrappedType()));
        }
        if ($field->document !== null) {
            return [
                'type' => 'object',
                'x-file' => $field->document->of === '' ? 'as the address says' : $field->document->of,
            ];
        }
        if ($type instanceof CollectionType) {
            return $this->collection($field, $type->isList(), $type->getCollectionValueType());
        }
        $class = $type instanceof ObjectType ? $type->getClassName() : '';
        if (is_a($class, \BackedEnum::class, true)) {
            return [
                'type' => 'string',
                'enum' => array_map(static fn (\BackedEnum $each): string => (string) $each->value, $class::cases()),
            ];
        }
        if ($class === UploadedFile::class) {
            return ['type' => 'string', 'format' => 'binary'];
        }
        if (is_a($class, Shape::class, true)) {
            return $this->of($class);
        }
        if (! ($type instanceof BuiltinType)) {
            throw new LogicException(sprintf('There is no schema for %s (%s).', (string) $type, $field->name));
        }

        return match ($type->getTypeIdentifier()) {
            TypeIdentifier::STRING => self::text($field->text ?? new Text()),
            TypeIdentifier::INT => self::whole($field->whole ?? new Whole()),
            TypeIdentifier::FLOAT => ['type' => 'number'],
            TypeIdentifier::BOOL => ['type' => 'boolean'],
            TypeIdentifier::MIXED => [],
            default => throw new LogicException(sprintf('There is no schema for %s.', (string) $type)),
        };
    }

    /** @return array<int|string, mixed> */
    private function collection(Field $field, bool $isList, Type $of): array
    {
        $rule = $field->items ?? new Items(1000);
        $each = $this->type($field, $of);

        return array_filter(
            $isList
                ? ['type' => 'array', 'items' => $each, 'maxItems' => $rule->max, 'minItems' => $rule->min]
                : [
                    'type' => 'object',
                    'additionalProperties' => $each === [] ? true : $each,
                    'maxProperties' => $rule->max,
                    'minProperties' => $rule->min,
                ],
            static fn (mixed $value): bool => $value !== 0,
        );
    }

    /** @return array<int|string, mixed> */
    private static function text(Text $rule): array
    {
        return array_filter([
            'type' => 'string',
            'minLength' => $rule->min,
            'maxLength' => $rule->max,
            'pattern' => $rule->pattern === '' ? '' : '^(?:'.$rule->pattern.')$',
            'writeOnly' => $rule->secret,
        ]);
    }

    /** @return array<int|string, mixed> */
    private static function whole(Whole $rule): array
    {
        return ['type' => 'integer', 'minimum' => $rule->min, 'maximum' => $rule->max];
    }
}
