<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Handover;

use Closure;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Schools\School;
use Sartal\Core\Given\Schools\TestedBy;
use Sartal\Core\Plan\Checks\Instruments;
use Sartal\Core\Plan\Checks\ResultChecks;
use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\RunEvents;
use Sartal\Core\Plan\Planning\Strand;
use Sartal\Core\Proof\Record\OnWhat;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Ways\Routing\Cargo;
use Sartal\Core\Work\Pulling\SiteState;

/**
 * Where assemblies stand. Each is read from its own record against facts that follow from decisions, so that something
 * that was recorded on one leaves all others as they were.
 */
final readonly class Standings
{
    /** @param  School  $testedBy  whether somebody may test what they made: {@see TestedBy} */
    public function __construct(private Instruments $instruments, private School $testedBy)
    {
    }

    public static function in(Installation $installation): self
    {
        return new self(new Instruments($installation), $installation->rule(TestedBy::class));
    }

    /**
     * @param  ?Closure(string): Fingerprints  $relied  by run; null: as the plan has them, of a test where there is one
     * @return array<int|string, AssemblyFacts> by assembly
     */
    public static function facts(Installation $in, Plan $plan, ?Closure $relied = null): array
    {
        return array_map(
            static fn (Assembly $assembly): AssemblyFacts => self::factsOn($assembly, $in, $plan, $relied),
            $plan->assemblies,
        );
    }

    /** @param  ?Closure(string): Fingerprints  $relied  by run; null: as the plan has them */
    public static function factsOn(
        Assembly $assembly,
        Installation $in,
        Plan $plan,
        ?Closure $relied = null,
    ): AssemblyFacts {
        $runs = [];
        foreach ($assembly->runs as $id) {
            $run = $in->theRun($id);
            $cable = $in->catalogue->cable($run->cable);
            $runs[$id] = new RunFacts(
                $id,
                $run->code,
                $run->build,
                $run->withdrawn,
                $cable !== null && Cargo::from($cable)->mains,
                $run->isForLater(),
                $relied === null ? $plan->fingerprints($id) : $relied($id),
            );
        }

        return new AssemblyFacts($assembly->id, $runs);
    }

    /**
     * Of a whole installation at once.
     *
     * @return array<int|string, AssemblyStanding> by assembly
     */
    public static function all(Installation $in, Plan $plan, Record $record): array
    {
        $standings = self::in($in);

        return array_map(
            static fn (AssemblyFacts $facts): AssemblyStanding => $standings->of($facts, $record),
            self::facts($in, $plan),
        );
    }

    /** How results are judged that are in a record. */
    public function checks(Record $record): ResultChecks
    {
        return new ResultChecks($this->instruments, $this->testedBy, $record);
    }

    /** @param  Record  $record  of its runs, or of more */
    public function of(AssemblyFacts $facts, Record $record): AssemblyStanding
    {
        $ids = $facts->runs();
        $events = $record->together($ids);
        $runs = [];
        foreach ($facts->runs as $id => $run) {
            $site = SiteState::read($run->build, SiteState::eventsOf($run->id, $ids, $record), $run->today);
            $runs[$id] = new RunStanding(
                $run->withdrawn,
                Strand::of($run->build, RunEvents::of($run->id, $ids, $record), $run->today),
                $site,
                $record->hands($run->id),
                $site->difference($run->today->cut->result),
            );
        }
        $trials = Trials::among($events);
        $results = $this->checks($record)->on($facts->id, $ids);
        $counts = $trials->current();
        $isMains = array_filter($facts->wanted(), static fn (RunFacts $run): bool => $run->mains) !== [];
        $licensed = [];
        foreach ($isMains && $counts !== null ? $trials->at($counts->stage()) : [] as $test) {
            $licensed[] = $test->by;
        }

        return new AssemblyStanding(
            $facts->id,
            $facts->code(),
            $runs,
            OnWhat::now($events),
            $results,
            Missing::on($facts, $runs, $events, $trials, $results),
            array_values(array_unique($licensed)),
        );
    }
}
