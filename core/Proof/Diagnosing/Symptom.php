<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Proof\Testing\MapMethod;
use Sartal\Core\Proof\Testing\PairCheck;
use Sartal\Core\Proof\Testing\Sample;

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

    /** @var array<int|string, Sample> what other methods showed of them, by question */
    private array $samples;

    /**
     * @param  list<string>  $lines
     * @param  list<string>  $pairs
     * @param  list<Sample>  $wrong  what else read wrong
     * @param  list<string>  $probes  every probe concerned
     */
    public function __construct(
        public readonly array $lines,
        public readonly array $pairs,
        public readonly array $wrong,
        public readonly array $probes,
        private readonly Evidence $evidence,
    ) {
        [$expectation, $reading] = [$evidence->expectation, $evidence->reading];
        $concerned = [];
        foreach ($probes as $probe) {
            $concerned += $expectation->wiring->reach($probe);
        }
        $this->samples = $evidence->samplesAt($concerned);
        // Wrong lines come first, so that a fault that does not fit is given up early.
        $this->rows = array_values(
            array_unique([
                ...$lines,
                ...array_filter(array_map(strval(...), array_keys(array_intersect_key($reading->lights, $concerned)))),
            ]),
        );
        $this->checks =
            $reading->splits === null
                ? []
                : array_values(
                    array_filter(
                        $expectation->setup->pairs,
                        static fn (PairCheck $pair): bool => array_intersect_key(
                            array_flip($pair->nodes),
                            $concerned,
                        ) !== [],
                    ),
                );
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
        return $this->readsTheSame($wiring, $this->rows) &&
            $this->readsTheSame($wiring, $this->rowsTouchedBy($faults, $wiring)) &&
            self::differences(MapMethod::splits($wiring, $this->checks), $this->split) === 0 &&
            $this->samplesAgree($wiring, $faults);
    }

    /** @param  list<Fault>  $faults */
    private function samplesAgree(Wiring $wiring, array $faults): bool
    {
        foreach ($this->samples as $sample) {
            if (! $this->evidence->agrees($sample, $wiring, $faults)) {
                return false;
            }
        }
        foreach (
            array_diff_key($this->evidence->samplesAt($this->reachedBy($faults, $wiring)), $this->samples) as $sample
        ) {
            if (! $this->evidence->agrees($sample, $wiring, $faults)) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<string>  $rows */
    private function readsTheSame(Wiring $wiring, array $rows): bool
    {
        foreach ($rows as $row) {
            $lit = MapMethod::lights($wiring, $this->evidence->expectation->setup, [$row])[$row];
            sort($lit, SORT_STRING);
            if ($lit !== $this->evidence->reading->lights[$row]) {
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
        return array_values(
            array_diff(
                array_map(
                    strval(...),
                    array_keys(
                        array_intersect_key($this->evidence->reading->lights, $this->reachedBy($faults, $wiring)),
                    ),
                ),
                $this->rows,
            ),
        );
    }

    /**
     * @param  list<Fault>  $faults
     * @return array<int|string, true>
     */
    private function reachedBy(array $faults, Wiring $wiring): array
    {
        $nodes = [];
        foreach ($faults as $fault) {
            foreach ($fault->edit->edges as $id => $edge) {
                // What was moved or taken out is missed where it was.
                $was = $this->evidence->expectation->wiring->edges[$id] ?? null;
                foreach ([$edge?->to, $was?->to, $edge === null ? $was?->from : null] as $node) {
                    if ($node !== null && ! isset($nodes[$node])) {
                        $nodes += $wiring->reach($node);
                    }
                }
            }
        }

        return $nodes;
    }

    /**
     * How many lights, pairs and samples this wiring would read otherwise than was read.
     *
     * @param  list<Fault>  $faults  that are in it
     */
    public function distance(Wiring $wiring, array $faults): int
    {
        $distance = self::differences(MapMethod::splits($wiring, $this->checks), $this->split);
        foreach ($this->rows as $row) {
            $lit = MapMethod::lights($wiring, $this->evidence->expectation->setup, [$row])[$row];
            $distance += self::differences($lit, $this->evidence->reading->lights[$row]);
        }
        foreach ($this->samples as $sample) {
            $distance += $this->evidence->agrees($sample, $wiring, $faults) ? 0 : 1;
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

    /** Lines and samples that are compared for every fault tried. */
    public function size(): int
    {
        return count($this->rows) + count($this->samples);
    }

    /** Two symptoms taken as one, for a fault that shows in both. */
    public function with(self $other): self
    {
        return new self(
            [...$this->lines, ...$other->lines],
            [...$this->pairs, ...$other->pairs],
            [...$this->wrong, ...$other->wrong],
            [...$this->probes, ...$other->probes],
            $this->evidence,
        );
    }
}
