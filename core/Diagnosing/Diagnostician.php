<?php

declare(strict_types=1);

namespace Sartal\Core\Diagnosing;

use Sartal\Core\Testing\Expectation;
use Sartal\Core\Testing\Reading;
use Sartal\Core\Wiring\Wiring;
use SplPriorityQueue;

/**
 * Finds what would explain a wrong reading by trying: every single fault of
 * the fault sources is made in the wiring and read, and those that read the
 * same as the cable are kept. Where no single one does, faults are made on
 * top of each other, best first (beam search).
 */
final readonly class Diagnostician
{
    /** Faults made on top of each other, at most. */
    private const DEEPEST = 3;

    /** Readings simulated per further depth: keeps a 90-way connector within a person's patience. */
    private const EFFORT = 20_000;

    private const LISTED = 24;

    /** @param  list<FaultSource>  $sources */
    private function __construct(private array $sources, private FaultPlaces $places)
    {
    }

    public static function for(FaultPlaces $places): self
    {
        return new self([
            new Opens, new Swaps, new Shorts, new Moves,
            new PairFaults($places->groups), new Shifts($places->terminals),
        ], $places);
    }

    public function diagnose(Expectation $expectation, Reading $reading): Diagnosis
    {
        $troubles = [];
        foreach (Symptoms::of($expectation, $reading) as $symptom) {
            $causes = $this->explain($symptom, $expectation->wiring);
            $troubles[] = new Trouble($symptom->lines, $symptom->pairs, array_slice($causes, 0, self::LISTED), max(0, count($causes) - self::LISTED));
        }

        return new Diagnosis($troubles);
    }

    /** @return list<Cause> */
    private function explain(Symptom $symptom, Wiring $good): array
    {
        $starts = [[[], $good]];
        for ($depth = 1; $depth <= self::DEEPEST; $depth++) {
            $found = [];
            $tried = 0;
            foreach ($this->further($starts, $symptom) as [$faults, $wiring]) {
                $tried++;
                if ($symptom->explainedBy($wiring)) {
                    $cause = new Cause($faults);
                    $found[$cause->key()] ??= $cause;
                }
            }
            if ($found !== []) {
                return $this->ranked($found);
            }
            $starts = $this->nearest($starts, $symptom, max(1, intdiv(self::EFFORT * count($starts), max(1, $tried))));
        }

        return [];
    }

    /**
     * Each start with every single fault made on top.
     *
     * @param  list<array{list<Fault>, Wiring}>  $starts
     * @return iterable<array{non-empty-list<Fault>, Wiring}>
     */
    private function further(array $starts, Symptom $symptom): iterable
    {
        foreach ($starts as [$faults, $wiring]) {
            $patch = Patch::around($symptom->probes, $wiring, $this->places->order);
            foreach ($this->sources as $source) {
                foreach ($source->in($patch) as $fault) {
                    yield [[...$faults, $fault], $wiring->edited($fault->edit)];
                }
            }
        }
    }

    /**
     * Those that come closest to the reading. A second pass, so that the usual
     * case, one fault, neither measures nor keeps what does not fit.
     *
     * @param  list<array{list<Fault>, Wiring}>  $starts
     * @return list<array{list<Fault>, Wiring}>
     */
    private function nearest(array $starts, Symptom $symptom, int $width): array
    {
        $kept = new SplPriorityQueue;
        $kept->setExtractFlags(SplPriorityQueue::EXTR_DATA);
        foreach ($this->further($starts, $symptom) as $made) {
            // The furthest comes out first, so that it is the one to go.
            $kept->insert($made, $symptom->distance($made[1]));
            if ($kept->count() > $width) {
                $kept->extract();
            }
        }
        $nearest = [];
        while (! $kept->isEmpty()) {
            /** @var array{list<Fault>, Wiring} $made */
            $made = $kept->extract();
            $nearest[] = $made;
        }

        return array_reverse($nearest);
    }

    /**
     * @param  array<string, Cause>  $found
     * @return list<Cause>
     */
    private function ranked(array $found): array
    {
        $causes = array_values($found);
        usort($causes, static fn (Cause $a, Cause $b): int => $a->weight() <=> $b->weight());

        return $causes;
    }
}
