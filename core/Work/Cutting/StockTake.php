<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Installation\JacketMarks;
use Sartal\Core\Given\Installation\Reel;
use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Fingerprint;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;

/** What is on the shelf once the recorded cuts are taken off it, and what is still to be cut. */
final class StockTake
{
    /** Before an event id: a piece that was cut and is no use for its run. */
    public const PIECE = 'piece:';

    /**
     * @param  ?list<string>  $runs  ids, where it is of these alone
     * @return list<CutNeeded>
     */
    public static function needs(CutFacts $facts, Record $record, ?array $runs = null): array
    {
        $wanted = $runs === null ? $facts->runs : array_intersect_key($facts->runs, array_flip($runs));
        $needs = [];
        foreach ($wanted as $run) {
            $isCut = ! $run->withdrawn && ! $run->found && ! $run->length->now->isZero();
            if (! $isCut || ! isset($facts->cables[$run->cable])) {
                continue;
            }
            $last = self::last($record, $run->id);
            if ($last === null || self::isShort($last, $run->length)) {
                $needs[] = new CutNeeded($run->id, $run->cable, $run->length->now, $run->group);
            }
        }

        return $needs;
    }

    /** @return list<Stock> */
    public static function stock(CutFacts $facts, Record $record): array
    {
        $made = self::made($record);
        $stock = [];
        foreach ($facts->reels as $reel) {
            $left = self::reel($reel, $made[$reel->id] ?? []);
            if ($left !== null) {
                $stock[] = $left;
            }
        }

        return [...$stock, ...self::pieces($facts, $record, $made)];
    }

    /** Whether anything was cut. */
    public static function isBegun(Record $record): bool
    {
        foreach ($record->events() as $event) {
            if ($event->kind === EventKind::Cut) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether a cut does not reach, and nobody said that it serves: it is to be
     * made again. It need not reach for what its edition did not know of.
     */
    public static function isShort(Event $event, LengthToCut $needed): bool
    {
        $known = $needed->known(Fingerprint::edition($event->fingerprint) ?? Edition::now());

        return $event->of() === '' && $event->cut() !== null && $event->cut()->length->compare($known) < 0;
    }

    public static function last(Record $record, string $run): ?Event
    {
        $last = null;
        foreach ($record->of($run) as $event) {
            if ($event->kind === EventKind::Cut) {
                $last = $event;
            } elseif ($event->kind === EventKind::TakenBack && $event->undoes() === EventKind::Cut) {
                $last = null;
            }
        }

        return $last;
    }

    /** @return array<int|string, list<CutMade>> what was cut off each reel and piece, in order */
    private static function made(Record $record): array
    {
        $made = [];
        foreach ($record->events() as $event) {
            if ($event->kind === EventKind::Cut && $event->cut()?->reel !== null) {
                $made[$event->cut()->reel][] = $event->cut();
            }
        }

        return $made;
    }

    /** @param  list<CutMade>  $cuts */
    private static function reel(Reel $reel, array $cuts): ?Stock
    {
        $gone = Length::zero();
        foreach ($cuts as $cut) {
            // A mark that was read says more than a sum of lengths: it knows of what was thrown away.
            $byMark =
                $reel->marks === null || $cut->to === null
                    ? $gone
                    : $reel->marks->between($reel->marks->start, $cut->to);
            $bySum = $gone->plus($cut->length);
            $gone = $byMark->compare($bySum) > 0 ? $byMark : $bySum;
        }
        $left = $reel->length->minus($gone);
        if ($left->isNegative() || $left->isZero()) {
            return null;
        }
        $marks =
            $reel->marks === null
                ? null
                : new JacketMarks($reel->marks->unit, $reel->marks->rising, $reel->marks->at($gone));

        return new Stock(
            $reel->id,
            $reel->id,
            $reel->cable,
            $left,
            $reel->offcut ? StockKind::Offcut : StockKind::Reel,
            $marks,
            $gone,
        );
    }

    /**
     * Pieces that are no use for their run: too short, or cut again since.
     *
     * @param  array<int|string, list<CutMade>>  $made
     * @return list<Stock>
     */
    private static function pieces(CutFacts $facts, Record $record, array $made): array
    {
        $holders = self::holders($facts, $record);
        $lengths = self::lengths($record);
        $pieces = [];
        foreach ($record->events() as $event) {
            $run = $facts->runs[$event->run] ?? null;
            // A piece goes by the event that cut it, whoever has it now.
            if (
                $event->kind !== EventKind::Cut ||
                $event->cut() === null ||
                $event->of() !== '' ||
                $run === null ||
                isset($holders[$event->id])
            ) {
                continue;
            }
            $id = self::PIECE.$event->id;
            $left = $lengths[$event->id]->minus(
                Length::zero()->plus(...array_map(static fn (CutMade $cut): Length => $cut->length, $made[$id] ?? [])),
            );
            if (! $left->isNegative() && ! $left->isZero()) {
                $pieces[] = new Stock(
                    $id,
                    'piece cut for '.$run->code,
                    $run->cable,
                    $left,
                    StockKind::Piece,
                    null,
                    Length::zero(),
                );
            }
        }

        return $pieces;
    }

    /**
     * Pieces that some run is made of.
     *
     * @return array<int|string, true> by the event that cut it
     */
    private static function holders(CutFacts $facts, Record $record): array
    {
        $held = [];
        foreach ($facts->runs as $run) {
            $last = $run->withdrawn ? null : self::last($record, $run->id);
            if ($last !== null && ! self::isShort($last, $run->length)) {
                $held[self::piece($last)] = true;
            }
        }

        return $held;
    }

    /**
     * @return array<int|string, Length> how long each piece is by what was said of it last, by the event that cut it
     */
    private static function lengths(Record $record): array
    {
        $lengths = [];
        foreach ($record->events() as $event) {
            if ($event->kind === EventKind::Cut && $event->cut() !== null) {
                $lengths[self::piece($event)] = $event->cut()->length;
            }
        }

        return $lengths;
    }

    /** The event that cut the piece which a cut speaks of. */
    public static function piece(Event $cut): string
    {
        return $cut->of() === '' ? $cut->id : $cut->of();
    }
}
