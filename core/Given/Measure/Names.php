<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * Ids as text. PHP makes whole numbers of array keys such as "101", and crews number their cables like that: what is
 * kept by id is typed array<int|string, …>, and whoever wants the ids asks here.
 */
final class Names
{
    /** Signs of an id that is made of a name. */
    private const LONGEST = 50;

    /**
     * @param  array<int|string, mixed>  $map  by id
     * @return list<string>
     */
    public static function from(array $map): array
    {
        return array_map(strval(...), array_keys($map));
    }

    /**
     * An id that nothing has yet, after what a thing is called: plain small letters, digits and hyphens.
     *
     * @param  array<int|string, mixed>  $taken  by id
     * @param  string  $otherwise  where nothing of the name is left
     */
    public static function free(string $name, array $taken, string $otherwise): string
    {
        $latin = transliterator_transliterate('Any-Latin; Latin-ASCII; Lower()', $name);
        $words = (string) preg_replace('~[^a-z0-9]+~', '-', is_string($latin) ? $latin : '');
        $base = trim(substr(trim($words, '-'), 0, self::LONGEST), '-');
        $base = $base === '' ? $otherwise : $base;
        $id = $base;
        for ($n = 2; isset($taken[$id]); $n++) {
            $id = $base.'-'.$n;
        }

        return $id;
    }
}
