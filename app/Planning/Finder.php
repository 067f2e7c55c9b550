<?php

declare(strict_types=1);

namespace App\Planning;

/**
 * Looks through everything that has a name. The best match first: what is
 * exactly so, then what begins so, then what has the words somewhere.
 *
 * @phpstan-import-type Thing from Named
 */
final readonly class Finder
{
    private const LISTED = 20;

    /** @param  iterable<Thing>  $things */
    public function __construct(private iterable $things)
    {
    }

    /** @return list<Thing> */
    public function find(string $query): array
    {
        $wanted = mb_strtolower($query);
        if ($wanted === '') {
            return [];
        }
        $found = [];
        foreach ($this->things as $thing) {
            $score = self::score(
                $wanted,
                mb_strtolower($thing['name']),
                mb_strtolower($thing['name'].' '.$thing['about']),
            );
            if ($score > 0) {
                $found[] = [$score, $thing];
            }
        }
        usort($found, static fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return array_map(static fn (array $each): array => $each[1], array_slice($found, 0, self::LISTED));
    }

    private static function score(string $wanted, string $name, string $all): int
    {
        if ($name === $wanted || str_replace([' ', '-'], '', $name) === str_replace([' ', '-'], '', $wanted)) {
            return 100;
        }
        if (str_starts_with($name, $wanted)) {
            return 60;
        }
        foreach (preg_split('~\s+~', $wanted) ?: [] as $word) {
            if (! str_contains($all, $word)) {
                return 0;
            }
        }

        return str_contains($name, $wanted) ? 40 : 20;
    }
}
