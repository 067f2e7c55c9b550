<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

use ReflectionClass;
use ReflectionProperty;

/** What the fields of a class are called, found out once. */
final class FieldNames
{
    /** @var array<class-string, list<string>> */
    private static array $known = [];

    /**
     * @param  class-string  $class
     * @return list<string>
     */
    public static function of(string $class): array
    {
        return self::$known[$class] ??= array_values(
            array_map(
                static fn (ReflectionProperty $property): string => $property->getName(),
                array_filter(
                    (new ReflectionClass($class))->getProperties(),
                    static fn (ReflectionProperty $property): bool => ! $property->isStatic(),
                ),
            ),
        );
    }
}
