<?php

declare(strict_types=1);

namespace Sartal\Core\Diagnosing;

use Sartal\Core\Testing\Expectation;
use Sartal\Core\Testing\MapMethod;
use Sartal\Core\Testing\PairCheck;
use Sartal\Core\Testing\Reading;
use Sartal\Core\Wiring\Wiring;

/**
 * Wrong lines and pairs that hang together because they light the same
 * contacts, with every line that a fault among those contacts could change.
 */
final class Symptom
{
    /** @var list<string> rows to compare: those read, among the probes concerned */
    private array $rows;

    /** @var list<PairCheck> */
    private array $checks;

    /** @var list<string> pairs that were read as split, among those to compare */
    private array $split;

    /**
     * @param  list<string>  $lines
     * @param  list<string>  $pairs
     * @param  list<string>  $probes  every probe concerned
     */
    public function __construct(
        public readonly array $lines,
        public readonly array $pairs,
        public readonly array $probes,
        private readonly Expectation $expectation,
        private readonly Reading $reading,
    ) {
        $concerned = [];
        foreach ($probes as $probe) {
            $concerned += $expectation->wiring->reach($probe);
        }
        // Wrong lines come first, so that a fault that does not fit is given up early.
        $this->rows = array_values(array_unique([...$lines, ...array_filter(
            array_map(strval(...), array_keys(array_intersect_key($reading->lights, $concerned))),
        )]));
        $this->checks = $reading->splits === null ? [] : array_values(array_filter(
            $expectation->setup->pairs,
            static fn (PairCheck $pair): bool => array_intersect_key(array_flip($pair->nodes), $concerned) !== [],
        ));
        $ids = array_map(static fn (PairCheck $pair): string => $pair->id, $this->checks);
        $this->split = array_values(array_intersect($reading->splits ?? [], $ids));
    }

    /**
     * Whether the wiring with these faults made in it would read exactly as was read.
     *
     * @param  list<Fault>  $faults
     */
    public function explainedBy(Wiring $wiring, array $faults): bool
    {
        return $this->readsTheSame($wiring, $this->rows)
            && $this->readsTheSame($wiring, $this->rowsTouchedBy($faults, $wiring))
            && self::differences(MapMethod::splits($wiring, $this->checks), $this->split) === 0;
    }

    /** @param  list<string>  $rows */
    private function readsTheSame(Wiring $wiring, array $rows): bool
    {
        foreach ($rows as $row) {
            $lit = MapMethod::lights($wiring, $this->expectation->setup, [$row])[$row];
            sort($lit, SORT_STRING);
            if ($lit !== $this->reading->lights[$row]) {
                return false;
            }
        }

        return true;
    }

    /**
     * Lines beyond the symptom's own that a fault reaches into, as a shift onto a good contact does.
     *
     * @param  list<Fault>  $faults
     * @return list<string>
     */
    private function rowsTouchedBy(array $faults, Wiring $wiring): array
    {
        $nodes = [];
        foreach ($faults as $fault) {
            foreach ($fault->edit->edges as $edge) {
                if ($edge !== null) {
                    $nodes += $wiring->reach($edge->to);
                }
            }
        }

        return array_values(array_diff(array_map(strval(...), array_keys(array_intersect_key($this->reading->lights, $nodes))), $this->rows));
    }

    /** How many lights and pairs this wiring would read otherwise than was read. */
    public function distance(Wiring $wiring): int
    {
        $distance = self::differences(MapMethod::splits($wiring, $this->checks), $this->split);
        foreach ($this->rows as $row) {
            $lit = MapMethod::lights($wiring, $this->expectation->setup, [$row])[$row];
            $distance += self::differences($lit, $this->reading->lights[$row]);
        }

        return $distance;
    }

    /**
     * @param  list<string>  $some
     * @param  list<string>  $others
     */
    private static function differences(array $some, array $others): int
    {
        return count(array_diff($some, $others)) + count(array_diff($others, $some));
    }

    /** Lines that are compared for every fault tried. */
    public function size(): int
    {
        return count($this->rows);
    }

    /** Two symptoms taken as one, for a fault that shows in both. */
    public function with(self $other): self
    {
        return new self(
            [...$this->lines, ...$other->lines],
            [...$this->pairs, ...$other->pairs],
            [...$this->probes, ...$other->probes],
            $this->expectation,
            $this->reading,
        );
    }
}
