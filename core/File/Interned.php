<?php

declare(strict_types=1);

namespace Sartal\Core\File;

/**
 * Of texts and lists that read the same, one: tens of thousands of ends name the same few types, places, elements and
 * channels, and each of its own takes room.
 */
final class Interned
{
    /** So many differ, and whatever else comes is left as it is. */
    private const MOST = 2_000;

    /** @var array<int|string, array<int|string, string>> by what they read */
    private static array $known = [];

    /** @var array<int|string, string> */
    private static array $texts = [];

    /** For what is one of few: types, places, people. */
    public static function text(string $text): string
    {
        $known = self::$texts[$text] ?? null;
        if ($known === null && count(self::$texts) < self::MOST) {
            self::$texts[$text] = $text;
        }

        return $known ?? $text;
    }

    /**
     * @template T of array<int|string, string>
     *
     * @param  T  $list
     * @return T
     */
    public static function of(array $list): array
    {
        $reads = serialize($list);
        /** @var ?T $known */
        $known = self::$known[$reads] ?? null;
        if ($known === null && count(self::$known) < self::MOST) {
            self::$known[$reads] = $list;
        }

        return $known ?? $list;
    }
}
