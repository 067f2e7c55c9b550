<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Ends\Labelling\Label;
use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Schools\LabelTurn;
use Sartal\Core\Plan\Runs\RunPlans;
use Sartal\Core\Proof\Record\MadeJoint;
use Sartal\Core\Proof\Testing\ReadingPrint;

/** What work on the runs of an installation relies on. */
final readonly class Relied
{
    private AssemblyPlanner $tests;

    /** @param  array<array-key, string>  $rotations  printed text → what it reads upside down */
    public function __construct(
        private Installation $installation,
        private RunPlans $runs,
        private InputHashes $hashes,
        private array $rotations,
        private PlanCache $cache,
    ) {
        $this->tests = new AssemblyPlanner($installation, $runs);
    }

    /** @param  ?Assembly  $tested  whose reading something relies on */
    public function on(string $run, ?Assembly $tested): Fingerprints
    {
        $plan = $this->runs->get($run);
        $of = $this->installation->theRun($run);

        return new Fingerprints(
            $of->cable,
            $plan->cut,
            array_map(
                static fn (EndPinout $end): array => array_map(
                    static fn (Joint $joint): string => (new MadeJoint($joint->conductor, $joint->to))->text(),
                    $end->joints,
                ),
                $plan->ends(),
            ),
            $this->labels($run),
            [$plan->lay->route->ways(), $of->a->location, $of->b->location],
            $tested === null ? null : $this->reading($tested),
        );
    }

    /** @return list<list<string>> what each label of a run reads, and how it is turned where it is marked */
    public function labels(string $run): array
    {
        $turn = $this->installation->rule(LabelTurn::class);

        return array_map(
            fn (Label $label): array => [
                $label->code,
                $label->line,
                ...isset($this->rotations[$label->code]) ? [$turn->value] : [],
            ],
            $this->runs->get($run)->labels,
        );
    }

    /** What an assembly should read. */
    public function reading(Assembly $assembly): ReadingPrint
    {
        $inputs = $this->hashes->assembly($assembly);
        $print = $this->cache->readingFingerprint($inputs);
        if ($print === null) {
            $print = $this->tests->expectation($assembly)->fingerprint();
            $this->cache->keepReadingFingerprint($inputs, $print);
        }

        return $print;
    }
}
