<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/**
 * What an assembly is made of at a moment: the piece of each run and the
 * latest making of each of its ends, by the events that made them so. A test,
 * a look or a signature that says what it was done on speaks of that and of
 * nothing that was made since.
 */
final class Basis
{
    private const PIECE = 'piece';

    /** @var array<int|string, array<int|string, string>> run → what of it → event that made it so */
    private array $made = [];

    /** @var array<int|string, string> pieces that there were, by the events that cut them → run */
    private array $pieces = [];

    /** @return list<string> ids of what made it what it is */
    public function made(): array
    {
        $ids = [];
        foreach ($this->made as $of) {
            array_push($ids, ...array_values($of));
        }

        return $ids;
    }

    /** @return bool whether the assembly, or an end of it, is another one afterwards */
    public function take(Event $event): bool
    {
        $what = self::what($event);
        if ($what === null) {
            return false;
        }
        $this->made[$event->run][$what] = $event->id;
        if ($what === self::PIECE) {
            $this->pieces[$event->id] = $event->run;
        }

        return true;
    }

    /** What of a run is another one after an event; null where nothing is. */
    private static function what(Event $event): ?string
    {
        $end = 'end '.($event->side->value ?? '');

        return match ($event->kind) {
            EventKind::Remade => $end,
            EventKind::Repaired => 'repair',
            // That a piece serves all the same makes nothing again.
            EventKind::Cut => $event->of() === '' ? self::PIECE : null,
            EventKind::Joined => $event->step === '' ? $end : null,
            EventKind::Reworked => ($event->rework()->reopens ?? []) !== [] ? 'rework '.$end : null,
            EventKind::TakenBack => $event->undoes() === EventKind::Joined ? $end : null,
            default => null,
        };
    }

    /**
     * Whether an event was done on what there is now of the runs it speaks of;
     * one that does not say is taken at its place in the order.
     */
    public function has(Event $event): bool
    {
        if (! $event->saysOnWhat()) {
            return true;
        }
        foreach ([$event->run, ...$event->covers()] as $run) {
            if (array_diff($this->made[$run] ?? [], $event->on ?? []) !== []) {
                return false;
            }
        }

        return true;
    }

    /** Whether an event put another piece in the place of one; earlier versions did not say so. */
    public function replaces(Event $event): bool
    {
        return isset($this->pieces[$event->id]) &&
            $event->on !== null &&
            count(array_keys($this->pieces, $event->run, true)) > 1;
    }

    /**
     * Whether it was done on the piece that its run is made of now. Of what
     * was written down before any cut was, the piece is the one that is
     * written down later: people forget, and the cable is there.
     */
    public function hasPiece(Event $event): bool
    {
        $piece = $this->made[$event->run][self::PIECE] ?? null;

        return $piece === null || ! $this->knowsPiece($event) || in_array($piece, $event->on ?? [], true);
    }

    /** Whether it says on which piece it was done. */
    public function knowsPiece(Event $event): bool
    {
        foreach ($event->on ?? [] as $id) {
            if (($this->pieces[$id] ?? null) === $event->run) {
                return true;
            }
        }

        return false;
    }
}
