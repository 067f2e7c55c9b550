<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Pulling;

use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Record\AsBuilt;
use Sartal\Core\Proof\Record\Basis;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Verdict;

/** How far one run has come on site, read from what was recorded. */
final readonly class SiteState
{
    /**
     * @param  array<int|string, BeadState>  $steps  by step
     * @param  ?AsBuilt  $built  the last word on how it really lies
     */
    private function __construct(public array $steps, public ?AsBuilt $built)
    {
    }

    /** @return array{array<int|string, string>, ?AsBuilt} */
    public function __serialize(): array
    {
        return [array_map(static fn (BeadState $state): string => $state->value, $this->steps), $this->built];
    }

    /** @param  array{array<int|string, string>, ?AsBuilt}  $data */
    public function __unserialize(array $data): void
    {
        $this->steps = array_map(BeadState::from(...), $data[0]);
        $this->built = $data[1];
    }

    /**
     * What its state is read from: the run's own, and the tests of its assembly.
     *
     * @param  list<string>  $together  runs of its assembly
     * @return list<Event>
     */
    public static function eventsOf(string $run, array $together, Record $record): array
    {
        $events = [...$record->of($run), ...$record->covering($run)];
        if (count($together) === 1) {
            return $events;
        }
        foreach ($together as $member) {
            foreach ($member === $run ? [] : $record->of($member) as $event) {
                if (
                    in_array($event->kind, [EventKind::Tested, EventKind::Settled, EventKind::Repaired], true) &&
                    $event->covers() === []
                ) {
                    $events[] = $event;
                }
            }
        }
        usort($events, $record->compare(...));

        return $events;
    }

    /**
     * @param  list<Event>  $events  of the run, and the tests of its assembly
     */
    public static function read(Build $build, array $events, Fingerprints $today): self
    {
        $steps = [];
        foreach (SiteStep::for($build) as $step) {
            $steps[$step->value] =
                $step === SiteStep::Tested ? self::tested($events, $today) : self::state($step, $events, $today);
        }

        return new self($steps, self::built($events));
    }

    public function isDone(): bool
    {
        return array_filter($this->steps, static fn (BeadState $state): bool => $state !== BeadState::Done) === [];
    }

    /** What comes next; null where all is done. */
    public function next(): ?SiteStep
    {
        foreach ($this->steps as $step => $state) {
            if ($state !== BeadState::Done) {
                return SiteStep::from($step);
            }
        }

        return null;
    }

    /**
     * Whether it may be pulled: what is made at the bench has to be made.
     *
     * @param  list<Bead>  $strand
     */
    public static function isReady(Build $build, array $strand): bool
    {
        foreach ($build === Build::Shop ? $strand : [] as $bead) {
            if (in_array($bead->stage, [Stage::EndA, Stage::EndB], true) && $bead->state === BeadState::ToDo) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<Event>  $events */
    private static function state(SiteStep $step, array $events, Fingerprints $today): BeadState
    {
        $kinds = $step->event() === EventKind::Joined ? [EventKind::Joined, EventKind::Remade] : [$step->event()];
        $last = null;
        $basis = new Basis();
        foreach ($events as $event) {
            $basis->take($event);
            if ($event->step !== '' || ($step->side() !== null && $event->side !== $step->side())) {
                continue;
            }
            if (in_array($event->kind, $kinds, true)) {
                // What was done with an earlier piece is not done with this one.
                $last = $step === SiteStep::Labelled || $basis->hasPiece($event) ? $event : $last;
            } elseif ($event->kind === EventKind::TakenBack && in_array($event->undoes(), $kinds, true)) {
                $last = null;
            } elseif ($event->kind === EventKind::Cut && $event->of() === '' && $step !== SiteStep::Labelled) {
                // Another piece has been pulled nowhere yet.
                $last = null;
            }
        }

        return match (true) {
            $last === null => BeadState::ToDo,
            ! $today->stand($last) => BeadState::Overtaken,
            default => BeadState::Done,
        };
    }

    /** @param  list<Event>  $events */
    private static function tested(array $events, Fingerprints $today): BeadState
    {
        $last = Trials::among($events)->last(TestStage::Installed);

        return match (true) {
            $last === null, $last->verdict() === Verdict::Incomplete => BeadState::ToDo,
            $last->verdict() === Verdict::Fails => BeadState::Failed,
            ! $today->stand($last) => BeadState::Overtaken,
            default => BeadState::Done,
        };
    }

    /** @param  list<Event>  $events */
    private static function built(array $events): ?AsBuilt
    {
        $length = null;
        $ways = null;
        $said = false;
        foreach ($events as $event) {
            if ($event->kind === EventKind::Cut && $event->of() === '') {
                [$length, $ways, $said] = [null, null, false];
            }
            if ($event->built() !== null) {
                $length = $event->built()->length ?? $length;
                $ways = $event->built()->ways ?? $ways;
                $said = true;
            }
        }

        return $said ? new AsBuilt($length, $ways) : null;
    }

    /** How much longer than planned it is; null where nobody measured it. */
    public function difference(Length $planned): ?Length
    {
        return $this->built?->length?->minus($planned);
    }

    public static function isOfTheSite(Build $build, EventKind $kind): bool
    {
        return array_filter(SiteStep::for($build), static fn (SiteStep $step): bool => $step->event() === $kind) !== [];
    }
}
