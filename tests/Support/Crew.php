<?php

declare(strict_types=1);

namespace Tests\Support;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Verdict;

/** People who do what a plan says, and write down what it was. */
final class Crew
{
    /** @var list<Event> */
    private array $events = [];

    private readonly Planner $planner;

    private readonly \Sartal\Core\Plan\Planning\Plan $plan;

    public function __construct(private readonly Installation $installation)
    {
        $this->planner = new Planner();
        $this->plan = $this->planner->plan($installation);
    }

    public function record(): Record
    {
        return new Record($this->events);
    }

    public function cut(string ...$runs): self
    {
        return $this->each($runs, EventKind::Cut);
    }

    public function join(Side $side, string ...$runs): self
    {
        return $this->each($runs, EventKind::Joined, $side);
    }

    /** Both ends, looked over. */
    public function terminate(string ...$runs): self
    {
        return $this->join(Side::A, ...$runs)->join(Side::B, ...$runs)->each($runs, EventKind::Inspected);
    }

    public function test(string ...$runs): self
    {
        return $this->each($runs, EventKind::Tested, verdict: Verdict::Passes);
    }

    /** @param  array<array-key, string>  $runs */
    public function each(array $runs, EventKind $kind, ?Side $side = null, ?Verdict $verdict = null): self
    {
        foreach ($runs as $run) {
            $plan = $this->plan->reliedOn($run);
            $this->events[] = $this->event(
                $run,
                $kind,
                $side,
                $plan->for($kind, $side),
                $verdict === null ? $plan->says($kind, $side) : new TestTaken(new Reading([], null), $verdict),
            );
        }

        return $this;
    }

    private function event(string $run, EventKind $kind, ?Side $side, string $fingerprint, ?Particulars $says): Event
    {
        $number = count($this->events) + 1;
        $at = sprintf('2026-03-09T08:%02d:%02d.000000Z', intdiv($number, 60), $number % 60);

        return new Event(
            sprintf('00000000-0000-4000-8000-%012d', $number),
            $kind,
            $run,
            $side,
            'ines',
            $at,
            $at,
            $fingerprint,
            says: $says,
        );
    }
}
