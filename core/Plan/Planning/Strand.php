<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\Basis;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Verdict;

/** Where a run stands, read from what was done; never set. */
final class Strand
{
    /**
     * @param  list<Event>  $events  of the run, and of the assembly it belongs to
     * @return list<Bead>
     */
    public static function read(Run $run, array $events, Fingerprints $today): array
    {
        return self::of($run->build, $events, $today);
    }

    /**
     * Of a run of which no more is known than where it is built.
     *
     * @param  list<Event>  $events  of the run, and of the assembly it belongs to
     * @return list<Bead>
     */
    public static function of(Build $build, array $events, Fingerprints $today): array
    {
        $beads = [];
        foreach (Stage::for($build) as $stage) {
            $beads[] = Bead::of($stage, self::state($stage, $events, $today));
        }

        return $beads;
    }

    /** @param  list<Event>  $events */
    private static function state(Stage $stage, array $events, Fingerprints $today): BeadState
    {
        [$kinds, $side] = self::evidence($stage);
        $last = null;
        $basis = new Basis();
        foreach ($events as $event) {
            // A single step at the bench is no stage: the last of an end brings its own event.
            if ($event->step !== '') {
                continue;
            }
            if ($basis->take($event) && $last !== null && ! self::staysWith($last, $event, $basis, $stage)) {
                $last = null;
            }
            if (in_array($event->kind, $kinds, true) && ($side === null || $event->side === $side)) {
                $last = self::onThat($event, $basis, $stage) ? $event : $last;
            } elseif (
                $event->kind === EventKind::TakenBack &&
                in_array($event->undoes(), $kinds, true) &&
                ($side === null || $event->side === $side)
            ) {
                $last = null;
            } elseif (self::undoes($event, $stage)) {
                $last = null;
            }
        }
        if ($stage === Stage::Test) {
            $last = Trials::among($events)->current();
        }

        return match (true) {
            $last === null => BeadState::ToDo,
            $last->verdict() === Verdict::Fails => BeadState::Failed,
            $last->verdict() === Verdict::Incomplete => BeadState::ToDo,
            ! $today->stand($last) => BeadState::Overtaken,
            // A piece that does not reach is to be cut again, unless somebody said that its slack makes up for it.
            $last->of() === '' &&
                $last->cut() !== null &&
                $last->cut()->length->compare($today->length($last->fingerprint)) < 0 => BeadState::Failed,
            default => BeadState::Done,
        };
    }

    /** Whether it still stands once something was made. */
    private static function staysWith(Event $last, Event $made, Basis $basis, Stage $stage): bool
    {
        $isOfThePiece = in_array($stage, [Stage::EndA, Stage::EndB, Stage::Pull, Stage::InPlace], true);

        return self::onThat($last, $basis, $stage) &&
            ! ($isOfThePiece && ! $basis->knowsPiece($last) && $basis->replaces($made));
    }

    /** Whether it was done on what there is, as far as its stage is about that. */
    private static function onThat(Event $event, Basis $basis, Stage $stage): bool
    {
        return match ($stage) {
            // An end is made on a piece: another piece has no such end yet.
            Stage::EndA, Stage::EndB, Stage::Pull, Stage::InPlace => $basis->hasPiece($event),
            Stage::Look, Stage::Signed => $basis->has($event),
            default => true,
        };
    }

    /** @return array{list<EventKind>, ?Side} what says that a stage was done, and at which end; null: at neither */
    public static function evidence(Stage $stage): array
    {
        return match ($stage) {
            Stage::Cut => [[EventKind::Cut], null],
            Stage::EndA => [[EventKind::Joined, EventKind::Remade], Side::A],
            Stage::EndB => [[EventKind::Joined, EventKind::Remade], Side::B],
            Stage::Look => [[EventKind::Inspected], null],
            Stage::Label => [[EventKind::Labelled], null],
            Stage::Pull => [[EventKind::Pulled], null],
            Stage::Test => [[EventKind::Tested], null],
            Stage::InPlace => [[EventKind::Installed], null],
            Stage::Signed => [[EventKind::SignedOff], null],
        };
    }

    /** An end that was made again has not been looked at or tested since. */
    private static function undoes(Event $event, Stage $stage): bool
    {
        $made =
            in_array($event->kind, [EventKind::Remade, EventKind::Joined], true) ||
            ($event->kind === EventKind::TakenBack && $event->undoes() === EventKind::Joined);

        return $made && in_array($stage, [Stage::Look, Stage::Test, Stage::Signed], true);
    }
}
