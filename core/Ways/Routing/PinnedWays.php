<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Way;

/** Puts the ways that a planner listed into a chain from one place to another. */
final class PinnedWays
{
    /** Ways listed in an order that leads nowhere are tried in others, up to so many steps. */
    private const EFFORT = 2000;

    private int $steps = 0;

    /**
     * @param  list<Way>  $ways
     * @return ?list<Hop> null where they do not lead from one to the other
     */
    public static function chain(array $ways, string $from, string $to): ?array
    {
        return (new self())->from($ways, $from, $to);
    }

    /**
     * As far as the ways lead in the order in which they are listed.
     *
     * @param  list<Way>  $ways
     * @return array{string, ?Way} where it ends, and the first way that does not go on from there
     */
    public static function gap(array $ways, string $from): array
    {
        $at = $from;
        foreach ($ways as $way) {
            $next = $way->across($at);
            if ($next === null) {
                return [$at, $way];
            }
            $at = $next;
        }

        return [$at, null];
    }

    /**
     * @param  list<Way>  $ways
     * @return ?list<Hop>
     */
    private function from(array $ways, string $at, string $to): ?array
    {
        if ($ways === []) {
            return $at === $to ? [] : null;
        }
        foreach ($ways as $i => $way) {
            $next = $way->across($at);
            if ($next === null || ++$this->steps > self::EFFORT) {
                continue;
            }
            $others = $ways;
            unset($others[$i]);
            $rest = $this->from(array_values($others), $next, $to);
            if ($rest !== null) {
                return [new Hop($way, $at, $next), ...$rest];
            }
        }

        return null;
    }
}
