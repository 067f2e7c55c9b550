<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

/** Contacts or channels as people write them: "C1-C18", "1, 2, 5-8", "shell", "C1-" for as many as are wanted. */
final class ContactNames
{
    /**
     * @param  list<string>  $names  those that there are, in their order
     * @param  int  $wanted  how many, where it is only said from where on
     * @return ?list<string> null where one of what is written is none of them
     */
    public static function read(string $text, array $names, int $wanted): ?array
    {
        $known = [];
        foreach ($names as $i => $name) {
            $known[mb_strtolower($name)] = $i;
        }
        if (preg_match('~^(.+?)\s*(?:-|–|…| on)$~u', mb_strtolower(trim($text)), $m) === 1 && isset($known[$m[1]])) {
            return array_slice($names, $known[$m[1]], $wanted);
        }
        $found = [];
        foreach (explode(',', $text) as $part) {
            $part = mb_strtolower(trim($part));
            if (isset($known[$part])) {
                $found[] = $names[$known[$part]];

                continue;
            }
            $range = self::range($part, $known);
            if ($range === null) {
                return null;
            }
            foreach ($range as $i) {
                $found[] = $names[$i];
            }
        }

        return $found;
    }

    /**
     * @param  array<int|string, int>  $known  name → its place
     * @return ?list<int>
     */
    private static function range(string $text, array $known): ?array
    {
        foreach (['-', '–', ' to '] as $dash) {
            // A name may hold a dash itself.
            for ($at = mb_strpos($text, $dash); $at !== false; $at = mb_strpos($text, $dash, $at + 1)) {
                $from = trim(mb_substr($text, 0, $at));
                $to = trim(mb_substr($text, $at + mb_strlen($dash)));
                if (isset($known[$from], $known[$to])) {
                    return self::counted($from, $to, $known) ?? range($known[$from], $known[$to]);
                }
            }
        }

        return null;
    }

    /**
     * Where both begin alike and end in a number, each number between them: "C1-C18" whatever order they stand in.
     *
     * @param  array<int|string, int>  $known
     * @return ?list<int>
     */
    private static function counted(string $from, string $to, array $known): ?array
    {
        if (
            preg_match('~^(.*?)(\d+)$~u', $from, $a) !== 1 ||
            preg_match('~^(.*?)(\d+)$~u', $to, $b) !== 1 ||
            $a[1] !== $b[1]
        ) {
            return null;
        }
        $places = [];
        foreach (range((int) $a[2], (int) $b[2]) as $number) {
            if (! isset($known[$a[1].$number])) {
                return null;
            }
            $places[] = $known[$a[1].$number];
        }

        return $places;
    }
}
