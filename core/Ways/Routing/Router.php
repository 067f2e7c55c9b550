<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Names;

/**
 * Finds the shortest permitted way of each run, or follows the ways that a
 * planner pinned. Searches are shared: one from each place for cables that are
 * let into the same ways.
 */
final class Router
{
    public readonly Network $network;

    /** @var array<int|string, ShortestPaths> */
    private array $paths = [];

    private string $avoided = '';

    /** @var array<int|string, ShortestPaths> that keep out of the way that was avoided last: ways are asked in turn */
    private array $detours = [];

    /** @var array<int|string, ?Refusal> */
    private array $refusals = [];

    /** @var array<int|string, ?Cargo> */
    private array $cargos = [];

    public function __construct(private readonly Installation $installation)
    {
        $this->network = new Network($installation->ways());
    }

    public function route(Run $run): Route
    {
        return match (true) {
            $run->isLoose() => new Route([], false),
            $run->ways === [] => $this->found($run),
            default => $this->pinned($run),
        };
    }

    public function cargo(Run $run): ?Cargo
    {
        return $this->carried($run->cable);
    }

    /** @return ?Cargo of a type of cable; null where it is not known, and let in everywhere */
    public function carried(string $type): ?Cargo
    {
        if (! array_key_exists($type, $this->cargos)) {
            $cable = $this->installation->catalogue->cable($type);
            $this->cargos[$type] = $cable === null ? null : Cargo::from($cable);
        }

        return $this->cargos[$type];
    }

    public function refusal(Way $way, ?Cargo $cargo): ?Refusal
    {
        if ($cargo === null) {
            return null;
        }
        $key = $way->id.' '.$cargo->cable;
        if (! array_key_exists($key, $this->refusals)) {
            $this->refusals[$key] = Permit::refusal($way, $cargo);
        }

        return $this->refusals[$key];
    }

    /**
     * The shortest permitted way from one place to another.
     *
     * @return ?list<Hop> null where there is none
     */
    public function shortest(string $from, string $to, ?Cargo $cargo): ?array
    {
        $key = $from.' '.($cargo?->key() ?? '');
        $this->paths[$key] ??= ShortestPaths::from(
            $from,
            $this->network,
            fn (Way $way): bool => $this->refusal($way, $cargo) === null,
        );

        return $this->paths[$key]->to($to);
    }

    /**
     * The shortest permitted way that keeps out of one of the ways.
     *
     * @return ?list<Hop>
     */
    public function without(Way $avoided, Run $run): ?array
    {
        $cargo = $this->cargo($run);
        $from = $run->a->location;
        if ($this->avoided !== $avoided->id) {
            $this->avoided = $avoided->id;
            $this->detours = [];
        }
        // Of hundreds that lie in one way, most begin at a few places.
        $key = implode("\n", [$from, $cargo?->key() ?? '']);
        $this->detours[$key] ??= ShortestPaths::from(
            $from,
            $this->network,
            fn (Way $way): bool => $way !== $avoided && $this->refusal($way, $cargo) === null,
        );

        return $this->detours[$key]->to($run->b->location);
    }

    private function found(Run $run): Route
    {
        $hops = $this->shortest($run->a->location, $run->b->location, $this->cargo($run));

        return $hops === null ? new Route([], false, [$this->nowhere($run)]) : new Route($hops, false);
    }

    private function nowhere(Run $run): Finding
    {
        [$from, $to] = [$run->a->location, $run->b->location];
        $cargo = $this->cargo($run);
        $any = $this->network->reachable($from, static fn (): bool => true);
        if (isset($any[$to])) {
            $permitted = $this->network->reachable($from, fn (Way $way): bool => $this->refusal($way, $cargo) === null);
            foreach ($this->installation->ways() as $way) {
                $refusal = $this->refusal($way, $cargo);
                if ($refusal !== null && (isset($permitted[$way->from]) || isset($permitted[$way->to]))) {
                    return Finding::stop(
                        'route.not-permitted',
                        Subject::run($run->id),
                        sprintf(
                            '%s finds no permitted way from %s to %s: %s.',
                            $run->code,
                            $this->name($from),
                            $this->name($to),
                            $refusal->words,
                        ),
                        $refusal->remedy,
                    );
                }
            }
        }
        [$near, $far] = $this->gap(
            Names::from($any),
            Names::from($this->network->reachable($to, static fn (): bool => true)),
        );

        return Finding::stop(
            'route.broken',
            Subject::run($run->id),
            sprintf(
                '%s finds no way from %s to %s: it is broken between %s and %s.',
                $run->code,
                $this->name($from),
                $this->name($to),
                $this->name($near),
                $this->name($far),
            ),
            sprintf('Draw a way from %s to %s, or correct where a way ends.', $this->name($near), $this->name($far)),
        );
    }

    /**
     * Where the two sides of a gap come closest on the map; where the map does not say, the ends themselves.
     *
     * @param  list<string>  $here
     * @param  list<string>  $there
     * @return array{string, string}
     */
    private function gap(array $here, array $there): array
    {
        $best = [$here[0], $there[0]];
        $least = INF;
        foreach ($here as $one) {
            foreach ($there as $other) {
                $a = $this->installation->location($one)->at ?? ($this->installation->junction($one)->at ?? null);
                $b = $this->installation->location($other)->at ?? ($this->installation->junction($other)->at ?? null);
                $distance = $a === null || $b === null ? INF : hypot($a->x - $b->x, $a->y - $b->y);
                if ($distance < $least) {
                    [$best, $least] = [[$one, $other], $distance];
                }
            }
        }

        return $best;
    }

    private function pinned(Run $run): Route
    {
        $ways = array_values(
            array_filter(array_map(fn (string $id): ?Way => $this->installation->way($id), $run->ways)),
        );
        $placed = array_filter($ways, static fn (Way $way): bool => $way->joins());
        $findings = $this->refused($run, $ways);
        if (count($placed) < count($ways)) {
            // What does not say where it ends cannot be checked; its length still counts.
            return new Route(
                array_map(static fn (Way $way): Hop => new Hop($way, $way->from, $way->to), $ways),
                true,
                $findings,
            );
        }
        $hops = PinnedWays::chain($ways, $run->a->location, $run->b->location);
        if ($hops === null) {
            [$at, $next] = PinnedWays::gap($ways, $run->a->location);
            $far = $next === null ? $run->b->location : $next->from;
            $findings[] = Finding::stop(
                'route.broken',
                Subject::run($run->id),
                sprintf(
                    'The ways of %s do not connect: they are broken between %s and %s.',
                    $run->code,
                    $this->name($at),
                    $next === null ? $this->name($far) : $next->name,
                ),
                'Add the way that is missing, or leave its ways empty and it finds the shortest by itself.',
            );

            return new Route(
                array_map(static fn (Way $way): Hop => new Hop($way, $way->from, $way->to), $ways),
                true,
                $findings,
            );
        }
        $twice = self::twice($run->a->location, $hops);
        if ($twice !== null) {
            $findings[] = Finding::check(
                'route.loop',
                Subject::run($run->id),
                sprintf('%s comes past %s twice.', $run->code, $this->name($twice)),
                'Take out the ways of the loop, unless the cable is meant to go round.',
            );
        }

        return new Route($hops, true, $findings);
    }

    /**
     * @param  list<Way>  $ways
     * @return list<Finding>
     */
    private function refused(Run $run, array $ways): array
    {
        $findings = [];
        foreach ($ways as $way) {
            $refusal = $this->refusal($way, $this->cargo($run));
            if ($refusal !== null) {
                $findings[] = Finding::stop(
                    'route.'.$refusal->code,
                    Subject::run($run->id),
                    sprintf('%s is pinned to a way that does not take it: %s.', $run->code, $refusal->words),
                    $refusal->remedy,
                );
            }
        }

        return $findings;
    }

    /** @param  list<Hop>  $hops */
    private static function twice(string $from, array $hops): ?string
    {
        $seen = [$from => true];
        foreach ($hops as $hop) {
            if (isset($seen[$hop->to])) {
                return $hop->to;
            }
            $seen[$hop->to] = true;
        }

        return null;
    }

    private function name(string $place): string
    {
        return $this->installation->placeName($place);
    }
}
