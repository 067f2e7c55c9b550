<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Way;

/**
 * The shortest permitted way from one place to another that takes some ways in the order in which they were said,
 * whichever end of each is nearer.
 */
final readonly class ByWayOf
{
    public function __construct(private Router $router, private ?Cargo $cargo)
    {
    }

    /**
     * @param  list<Way>  $by
     * @return ?list<string> ids of ways; null where there is none
     */
    public function ways(string $from, string $to, array $by): ?array
    {
        /** @var array<int|string, list<Way>> $ends place that the last of them was left at → the shortest way there */
        $ends = [$from => []];
        foreach ($by as $way) {
            $next = [];
            foreach ($ends as $at => $so) {
                foreach ([[$way->from, $way->to], [$way->to, $way->from]] as [$in, $out]) {
                    $there = $this->between((string) $at, $in);
                    $all = $there === null ? null : [...$so, ...$there, $way];
                    if ($all !== null && (! isset($next[$out]) || self::length($all) < self::length($next[$out]))) {
                        $next[$out] = $all;
                    }
                }
            }
            $ends = $next;
        }
        $best = null;
        foreach ($ends as $at => $so) {
            $rest = $this->between((string) $at, $to);
            $all = $rest === null ? null : [...$so, ...$rest];
            if ($all !== null && ($best === null || self::length($all) < self::length($best))) {
                $best = $all;
            }
        }

        return $best === null ? null : array_map(static fn (Way $way): string => $way->id, $best);
    }

    /** @return ?list<Way> */
    private function between(string $from, string $to): ?array
    {
        $hops = $from === '' || $to === '' ? null : $this->router->shortest($from, $to, $this->cargo);

        return $hops === null ? null : array_map(static fn (Hop $hop): Way => $hop->way, $hops);
    }

    /** @param  list<Way>  $ways */
    private static function length(array $ways): int
    {
        return array_sum(array_map(static fn (Way $way): int => $way->length->nanometres, $ways));
    }
}
