<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Installation;

/** Runs with which some have to do: {@see Neighbours}. */
final readonly class Nearby
{
    /**
     * @param  array<int|string, RunCard>  $runs  by run: with all that anything about them follows from
     * @param  array<int|string, RunCard>  $rim  by run: those lie with some of them, and of these nothing is known
     * @param  list<string>  $ties  {@see TieName}, all by which the runs hang together
     */
    public function __construct(public array $runs, public array $rim, public array $ties)
    {
    }

    /** Of its runs, their fittings and their circuits alone, with everything that is not of runs. */
    public function in(Installation $whole): Installation
    {
        $fittings = array_flip($this->fittings());
        // What a fitting feeds belongs to it, whether a run carries it or not.
        $circuits = array_flip($this->circuits()) + array_filter(
            $whole->circuits(),
            static fn (Circuit $circuit): bool => isset($fittings[$circuit->phantom]),
        );

        return $whole->changed([
            'runs' => array_intersect_key($whole->runs(), $this->runs + $this->rim),
            'fittings' => array_intersect_key($whole->fittings(), $fittings),
            'circuits' => array_intersect_key($whole->circuits(), $circuits),
        ]);
    }

    /** @return list<string> fittings that its runs are joined to, or that may be */
    public function fittings(): array
    {
        return array_values(array_filter(array_map(TieName::fittingNamed(...), $this->ties), is_string(...)));
    }

    /** @return list<string> circuits that its runs carry */
    public function circuits(): array
    {
        return array_values(array_filter(array_map(TieName::circuitNamed(...), $this->ties), is_string(...)));
    }

    /**
     * Whether whoever has read this one has all of another.
     *
     * @param  array<int|string, RunCard>  $new  that were in neither
     */
    public function holds(self $other, array $new): bool
    {
        return array_diff($other->ties, $this->ties) === [] &&
            array_diff_key($other->runs, $this->runs, $new) === [] &&
            array_diff_key($other->rim, $this->runs + $this->rim) === [];
    }

    /** @return list<string> ids of its runs */
    public function ids(): array
    {
        return array_map(strval(...), array_keys($this->runs));
    }
}
