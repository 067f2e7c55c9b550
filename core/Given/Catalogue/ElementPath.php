<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** Paths of elements in a cable's construction: "p7" of a pair, "p7/a" of a core of it, "" of the whole cable. */
final class ElementPath
{
    /** Whether a path is that of an element, or lies below it. */
    public static function isWithin(string $path, string $element): bool
    {
        return $element === '' || $path === $element || str_starts_with($path, $element.'/');
    }

    /** @param  list<string>  $elements */
    public static function isWithinAny(string $path, array $elements): bool
    {
        foreach ($elements as $element) {
            if (self::isWithin($path, $element)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether they have copper in common: it lies in one of the elements, or one of them in it.
     *
     * @param  list<string>  $elements
     */
    public static function meetsAny(string $path, array $elements): bool
    {
        foreach ($elements as $element) {
            if (self::isWithin($path, $element) || self::isWithin($element, $path)) {
                return true;
            }
        }

        return false;
    }
}
