<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Closure;
use Sartal\Core\Ends\Labelling\Label;
use Sartal\Core\Ends\Wiring\Assemblies;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Schools\LabelTurn;
use Sartal\Core\Plan\Checks\Checks;
use Sartal\Core\Plan\Checks\LabelChecks;
use Sartal\Core\Plan\Checks\ResultChecks;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\MadeJoint;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Testing\ReadingPrint;
use Sartal\Core\Ways\Looming\Layout;
use Sartal\Core\Ways\Routing\WayLoads;

/**
 * Plan = f(Installation, Record). Each run is planned by itself and kept under
 * a hash of what it depends on, so that one edit recomputes one subject.
 */
final readonly class Planner
{
    public function __construct(private PlanCache $cache = new MemoryPlanCache())
    {
    }

    public function plan(Installation $installation, Record $record = new Record()): Plan
    {
        $layout = new Layout($installation);
        $hashes = new InputHashes($installation, $layout);
        $runs = [];
        foreach ($installation->runs() as $run) {
            $inputs = $hashes->run($run);
            $plan = $this->cache->run($inputs);
            if ($plan === null) {
                $plan = RunPlanner::plan($run, $installation, $layout->lays[$run->id]);
                $this->cache->keepRun($inputs, $plan);
            }
            $runs[$run->id] = $plan;
        }
        $assemblies = Assemblies::find($installation);
        $assemblyOf = [];
        foreach ($assemblies as $assembly) {
            foreach ($assembly->runs as $run) {
                $assemblyOf[$run] = $assembly->id;
            }
        }
        $tests = new AssemblyPlanner($installation, $runs);
        $rotations = LabelChecks::clashes($installation, $runs);
        $fingerprints = [];
        $strands = [];
        foreach ($installation->runs() as $run) {
            $assembly = $assemblies[$assemblyOf[$run->id]];
            $events = self::eventsOf($run->id, $assembly->runs, $record);
            $reading = self::reliesOnReading($events)
                ? $this->reading($assembly, $hashes, $tests, $installation)
                : null;
            $fingerprints[$run->id] = self::fingerprints($runs[$run->id], $installation, $reading, $rotations);
            $strands[$run->id] = Strand::read($run, $events, $fingerprints[$run->id]);
        }

        $ways = WayLoads::weigh($installation, $layout->routes, $layout->router);

        return new Plan(
            $runs,
            $assemblies,
            $assemblyOf,
            $strands,
            $fingerprints,
            $rotations,
            Checks::judge($installation, $runs, $rotations, $layout, $ways),
            ResultChecks::in($installation, $record)->of($assemblies),
            $layout,
            $ways,
        );
    }

    /** What is done on one run now relies on this. */
    public function fingerprintsFor(string $run, Installation $installation, Plan $plan): Fingerprints
    {
        return $this->relied($installation, $plan)($run);
    }

    /**
     * What is done on any run now relies on this, its test too, whether there is one yet or not.
     *
     * @return Closure(string): Fingerprints by run
     */
    public function relied(Installation $installation, Plan $plan): Closure
    {
        $hashes = new InputHashes($installation, $plan->layout);
        $tests = new AssemblyPlanner($installation, $plan->runs);

        return function (string $run) use ($installation, $plan, $hashes, $tests): Fingerprints {
            $assembly = $plan->assemblies[$plan->assemblyOf[$run]];
            $reading = $this->reading($assembly, $hashes, $tests, $installation);

            return self::fingerprints($plan->runs[$run], $installation, $reading, $plan->rotations);
        };
    }

    private function reading(
        Assembly $assembly,
        InputHashes $hashes,
        AssemblyPlanner $tests,
        Installation $installation,
    ): ReadingPrint {
        $inputs = $hashes->assembly($assembly);
        $fingerprint = $this->cache->readingFingerprint($inputs);
        if ($fingerprint === null) {
            $fingerprint = $tests->expectation($assembly)->fingerprint();
            $this->cache->keepReadingFingerprint($inputs, $fingerprint);
        }

        return $fingerprint;
    }

    /**
     * The run's own events, and the tests of its assembly.
     *
     * @param  list<string>  $together  runs of its assembly
     * @return list<Event>
     */
    public static function eventsOf(string $run, array $together, Record $record): array
    {
        $events = [...$record->of($run), ...$record->covering($run)];
        if (count($together) === 1 && $record->covering($run) === []) {
            return $events;
        }
        foreach ($together as $member) {
            foreach ($record->of($member) as $event) {
                $isTest = in_array($event->kind, [EventKind::Tested, EventKind::Settled], true);
                // A test that says what it covers is a test of that, and of nothing that was joined to it since.
                // A piece that another run is cut from anew is another run's, but what was tested with it is not the
                // same
                // any more. Records of earlier versions did not say so.
                $isCut = $event->kind === EventKind::Cut && $event->on !== null && $event->of() === '';
                if (
                    $member !== $run &&
                    ! ($isTest && $event->covers() !== []) &&
                    ($isCut ||
                        in_array(
                            $event->kind,
                            [
                                EventKind::Tested,
                                EventKind::Settled,
                                EventKind::Remade,
                                EventKind::Joined,
                                EventKind::Repaired,
                                EventKind::TakenBack,
                            ],
                            true,
                        )) &&
                    $event->step === ''
                ) {
                    // Of another run's ends only this matters here: a test before them no longer counts.
                    $events[] = $isTest ? $event : $event->withoutSide();
                }
            }
        }
        usort($events, $record->compare(...));

        return $events;
    }

    /** @param  list<Event>  $events */
    private static function reliesOnReading(array $events): bool
    {
        foreach ($events as $event) {
            if ($event->kind === EventKind::Tested || $event->kind === EventKind::SignedOff) {
                return true;
            }
        }

        return false;
    }

    /** @param  array<array-key, string>  $rotations */
    private static function fingerprints(
        RunPlan $plan,
        Installation $installation,
        ?ReadingPrint $reading,
        array $rotations,
    ): Fingerprints {
        $run = $installation->theRun($plan->run);
        $joints = [];
        foreach ($plan->ends as $side => $end) {
            $joints[$side] = array_map(
                static fn (Joint $joint): string => (new MadeJoint($joint->conductor, $joint->to))->text(),
                $end->joints,
            );
        }
        $turn = $installation->rule(LabelTurn::class);
        $labels = array_map(
            static fn (Label $label): array => [
                $label->code,
                $label->line,
                ...isset($rotations[$label->code]) ? [$turn->value] : [],
            ],
            array_values($plan->labels),
        );

        return new Fingerprints(
            $run->cable,
            $plan->cut,
            $joints,
            $labels,
            [$plan->lay->route->ways(), $run->a->location, $run->b->location],
            $reading,
        );
    }
}
