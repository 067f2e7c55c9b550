<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Length;

/**
 * In which order ways are walked along to measure them: always on to the nearest end of one that is left, and along it
 * (the nearest-neighbour rule; D. J. Rosenkrantz, R. E. Stearns, P. M. Lewis, "An analysis of several heuristics for
 * the traveling salesman problem", SIAM J. Comput. 6, 1977). It is no shortest walk, and one that people find again.
 */
final readonly class MeasuringWalk
{
    public function __construct(private Network $network)
    {
    }

    /**
     * @param  list<Way>  $ways  that are to be measured
     * @param  string  $from  where it begins; "" or a place without ways: at the first of them
     * @return list<WalkStop> each of them once
     */
    public function along(array $ways, string $from = ''): array
    {
        $left = $apart = [];
        foreach ($ways as $way) {
            if ($way->joins()) {
                $left[$way->id] = $way;
            } else {
                // It leads nowhere that is known: it is found by its name.
                $apart[] = new WalkStop($way, $way->from, $way->to, null);
            }
        }
        $stops = [];
        for ($at = $from; $left !== [];) {
            $next = $at === '' ? null : $this->nearest($at, $left);
            if ($next === null) {
                // What is not joined to where one stands is begun anew.
                $first = $left[array_key_first($left)];
                $next = new WalkStop($first, $first->from, $first->to, null);
            }
            $stops[] = $next;
            $at = $next->to;
            unset($left[$next->way->id]);
        }

        return [...$stops, ...$apart];
    }

    /** @param  non-empty-array<int|string, Way>  $left */
    private function nearest(string $at, array $left): ?WalkStop
    {
        $paths = ShortestPaths::from($at, $this->network, static fn (): bool => true);
        $best = null;
        $least = PHP_INT_MAX;
        foreach ($left as $way) {
            foreach ([[$way->from, $way->to], [$way->to, $way->from]] as [$from, $to]) {
                $hops = $paths->to($from);
                $walked = $hops === null ? PHP_INT_MAX : self::length($hops)->nanometres;
                if ($walked < $least) {
                    $least = $walked;
                    $best = new WalkStop($way, $from, $to, Length::nanometres($walked));
                }
            }
        }

        return $best;
    }

    /** @param  list<Hop>  $hops */
    private static function length(array $hops): Length
    {
        return (new Route($hops, false))->length();
    }
}
