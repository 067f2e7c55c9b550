<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Reading;
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

    /**
     * Readings simulated per further depth, shared among the symptoms: keeps a 90-way connector within a person's
     * patience.
     */
    private const EFFORT = 20_000;

    /** Lines compared for one further depth, at most: beyond it a person would wait, and is told that nothing fits. */
    private const PATIENCE = 300_000;

    /** Lines wrong together from which on only whole blocks are tried before the map is read straight off. */
    private const MANY = 24;

    /** Of what came nearest, so many are weighed against each other. */
    private const LOOKED_AT = 20;

    /** Symptoms up to this many are tried two by two. */
    private const PAIRED_UP = 10;

    /** @var list<FaultSource> faults that join what they touch: they show in one symptom */
    private array $narrow;

    /** @var list<FaultSource> faults of several joints, which may show in many */
    private array $wide;

    private Shuffled $shuffled;

    private function __construct(
        private FaultPlaces $places,
        private Expectation $expectation,
        private Reading $reading,
    ) {
        $this->shuffled = new Shuffled($expectation, $reading);
        $this->narrow = FaultSources::narrow($places, $reading);
        $this->wide = [...FaultSources::wide($places, $reading), OtherLengths::saidBy($expectation, $reading)];
    }

    public static function for(FaultPlaces $places, Expectation $expectation, Reading $reading): Diagnosis
    {
        return (new self($places, $expectation->of($reading), $reading))->diagnosis();
    }

    private function diagnosis(): Diagnosis
    {
        $troubles = [];
        $symptoms = $this->joinedUp(Symptoms::read($this->expectation, $this->reading), $this->expectation->wiring);
        foreach ($symptoms as [$symptom, $causes]) {
            $partly = null;
            $causes ??= $this->explain(
                $symptom,
                $this->expectation->wiring,
                intdiv(self::EFFORT, count($symptoms)),
                $partly,
            );
            $troubles[] = new Trouble($symptom->lines, $symptom->pairs, $symptom->wrong, $causes, $partly);
        }

        return new Diagnosis($troubles);
    }

    /**
     * Symptoms with no contact in common can still have one cause: pairs that
     * were crossed, a block that was shifted. One fault is likelier than several.
     *
     * @param  list<Symptom>  $symptoms
     * @return list<array{Symptom, ?list<Cause>}>
     */
    private function joinedUp(array $symptoms, Wiring $good): array
    {
        if (count($symptoms) > 1) {
            $all = $symptoms[0];
            foreach (array_slice($symptoms, 1) as $symptom) {
                $all = $all->with($symptom);
            }
            $causes = $this->single($all, $good, $this->wide);
            if ($causes !== []) {
                return [[$all, $causes]];
            }
        }
        $joined = [];
        while ($symptoms !== []) {
            $first = array_shift($symptoms);
            $causes = null;
            foreach (count($symptoms) < self::PAIRED_UP ? $symptoms : [] as $i => $other) {
                $both = $first->with($other);
                $causes = $this->single($both, $good, $this->wide) ?: null;
                if ($causes !== null) {
                    $first = $both;
                    unset($symptoms[$i]);
                    $symptoms = array_values($symptoms);
                    break;
                }
            }
            $joined[] = [$first, $causes];
        }

        return $joined;
    }

    /**
     * @param  ?Partly  $partly  filled in where nothing explains it whole
     * @return list<Cause>
     */
    private function explain(Symptom $symptom, Wiring $good, int $effort, ?Partly &$partly): array
    {
        // Where so much is wrong that trying everything would take too long, what is no block of one sort is read
        // straight off the map.
        $shuffled = $this->single($symptom, $good, [$this->shuffled]);
        if ($shuffled !== [] && $symptom->size() > self::MANY) {
            return $this->single($symptom, $good, $this->wide) ?: $shuffled;
        }
        $starts = [[[], $good]];
        for ($depth = 1; $depth <= self::DEEPEST; $depth++) {
            [$found, $tried] = $this->fitting($starts, $symptom, [...$this->narrow, ...$this->wide]);
            if ($found !== []) {
                return $found;
            }
            // More cores than one more fault could misplace: read straight off the map.
            if ($shuffled !== [] && count($shuffled[0]->faults[0]->nodes) > 2 * $depth + 2) {
                return $shuffled;
            }
            if ($tried * $symptom->size() > self::PATIENCE) {
                break;
            }
            $starts = $this->nearest($starts, $symptom, max(1, intdiv($effort * count($starts), max(1, $tried))));
        }
        if ($shuffled !== []) {
            return $shuffled;
        }
        $read = iterator_to_array($this->further([[[], $good]], $symptom, [$this->shuffled]), false);
        $found = $this->fitting($read, $symptom, $this->narrow)[0];
        if ($found === []) {
            $partly = self::partly([...array_slice($starts, 0, self::LOOKED_AT), ...$read], $symptom, $good);
        }

        return $found;
    }

    /**
     * Of what was tried, and of what the map says straight away, what leaves the least unexplained.
     *
     * @param  list<array{list<Fault>, Wiring}>  $tried
     */
    private static function partly(array $tried, Symptom $symptom, Wiring $good): ?Partly
    {
        $wrong = $symptom->distance($good, []);
        $best = null;
        foreach ($tried as [$faults, $wiring]) {
            $left = $faults === [] ? $wrong : $symptom->distance($wiring, $faults);
            if ($faults !== [] && $left < $wrong && ($best === null || $wrong - $left > $best->explained)) {
                $best = new Partly(new Cause($faults), $wrong - $left, $wrong);
            }
        }

        return $best;
    }

    /**
     * @param  list<FaultSource>  $sources
     * @return list<Cause>
     */
    private function single(Symptom $symptom, Wiring $good, array $sources): array
    {
        return $this->fitting([[[], $good]], $symptom, $sources)[0];
    }

    /**
     * @param  list<array{list<Fault>, Wiring}>  $starts
     * @param  list<FaultSource>  $sources
     * @return array{list<Cause>, int} causes that fit, and how many were tried
     */
    private function fitting(array $starts, Symptom $symptom, array $sources): array
    {
        $found = [];
        $tried = 0;
        foreach ($this->further($starts, $symptom, $sources) as [$faults, $wiring]) {
            $tried++;
            if ($symptom->explainedBy($wiring, $faults)) {
                $cause = new Cause($faults);
                $key = $cause->comesTo();
                if (! isset($found[$key]) || $cause->weight() < $found[$key]->weight()) {
                    $found[$key] = $cause;
                }
            }
        }

        return [$this->ranked($found), $tried];
    }

    /**
     * Each start with every single fault made on top.
     *
     * @param  list<array{list<Fault>, Wiring}>  $starts
     * @param  list<FaultSource>  $sources
     * @return iterable<array{non-empty-list<Fault>, Wiring}>
     */
    private function further(array $starts, Symptom $symptom, array $sources): iterable
    {
        foreach ($starts as [$faults, $wiring]) {
            $patch = Patch::around($symptom->probes, $wiring, $this->places->order);
            foreach ($sources as $source) {
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
        $kept = new SplPriorityQueue();
        $kept->setExtractFlags(SplPriorityQueue::EXTR_DATA);
        foreach ($this->further($starts, $symptom, [...$this->narrow, ...$this->wide]) as $made) {
            // The furthest comes out first, so that it is the one to go.
            $kept->insert($made, $symptom->distance($made[1], $made[0]));
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
     * @param  array<int|string, Cause>  $found
     * @return list<Cause>
     */
    private function ranked(array $found): array
    {
        $causes = array_values($found);
        usort($causes, static fn (Cause $a, Cause $b): int => $a->weight() <=> $b->weight());

        return $causes;
    }
}
