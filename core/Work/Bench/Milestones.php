<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Proof\Record\Basis;
use Sartal\Core\Proof\Record\DerivedId;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Following;
use Sartal\Core\Proof\Record\Order;
use Sartal\Core\Proof\Record\TakenBack;

/**
 * The beads that steps at the bench fill and empty. They follow from the steps
 * in the order in which those were done, and from nothing else: when a step
 * arrives late, what follows from it and from those after it is derived anew.
 */
final readonly class Milestones
{
    /**
     * @param  array<int|string, Operation>  $operations  of the assembly, by id, in the order of work
     * @param  array<int|string, Fingerprints>  $plans  by run: what is relied on when a bead is filled
     */
    public function __construct(private array $operations, private array $plans)
    {
    }

    /**
     * Whether a record comes after all others, so that what they filled stays.
     *
     * @param  list<Event>  $stored
     */
    public static function isLast(array $stored, Event $event): bool
    {
        $now = Order::of([...$stored, $event]);

        return $now[count($now) - 1]->id === $event->id;
    }

    /**
     * What one more record makes of them.
     *
     * @param  list<Event>  $stored  of the assembly, with the beads that were derived before
     */
    public function with(array $stored, Event $event): Rederived
    {
        $follows = Following::among($stored);
        $given = array_values(array_filter($stored, static fn (Event $each): bool => ! $follows->isFollowing($each)));
        [$was, $is] = [Order::of($given), Order::of([...$given, $event])];
        $from = self::parting($was, $is);
        $derived = [];
        foreach (array_slice($was, $from) as $cause) {
            foreach ($follows->of($cause) as $each) {
                $derived[$each->id] = $each;
            }
        }
        $before = $this->along($was, $from, $follows, []);
        // What today's plan would not derive is what another plan did: it stays as it was written down.
        $stays = array_diff_key($derived, $before);
        $before = $stays === [] ? $before : $this->along($was, $from, $follows, $stays);
        $after = $this->along($is, $from, $follows, $stays);
        $isNew = static fn (Event $each): bool => ($derived[$each->id] ?? null)?->on !== $each->on;

        return new Rederived(
            array_values(array_filter($after, $isNew)),
            array_map(strval(...), array_keys(array_diff_key(array_intersect_key($derived, $before), $after))),
        );
    }

    /**
     * @param  list<Event>  $events  in order, without what follows from them
     * @param  int  $from  where nothing was derived from yet
     * @param  array<int|string, Event>  $stays  of what follows from those, what is not derived again
     * @return array<int|string, Event> by id: what follows from those
     */
    private function along(array $events, int $from, Following $follows, array $stays): array
    {
        $basis = new Basis();
        $progress = new Progress($this->operations, []);
        $derived = [];
        $was = null;
        foreach ($events as $i => $event) {
            $basis->take($event);
            $with = $follows->of($event);
            if ($i >= $from) {
                $was ??= $progress->milestones();
                $with = array_filter($with, static fn (Event $each): bool => isset($stays[$each->id]));
            }
            $progress = $progress->after($event);
            // What is recorded as a whole says so itself; what followed from records of earlier versions was written
            // down with them.
            if ($was !== null && $event->step !== '' && $event->on !== null) {
                $is = $progress->milestones();
                foreach ($this->between($event, $was, $is, $basis) as $milestone) {
                    $derived[$milestone->id] = $milestone;
                    $with[] = $milestone;
                }
                $was = $is;
            } else {
                $was = null;
            }
            foreach ($with as $milestone) {
                $basis->take($milestone);
                $progress = $progress->after($milestone);
                $was = null;
            }
        }

        return $derived;
    }

    /**
     * @param  array<int|string, Milestone>  $was
     * @param  array<int|string, Milestone>  $is
     * @return list<Event>
     */
    private function between(Event $event, array $was, array $is, Basis $basis): array
    {
        $gained = array_diff_key($is, $was);
        // Ends before what speaks of both of them: a run is looked over once its ends are made.
        uasort(
            $gained,
            static fn (Milestone $a, Milestone $b): int => ($a->kind === EventKind::Inspected) <=>
                ($b->kind === EventKind::Inspected),
        );
        $events = [];
        $on = [$event->id, ...$basis->made()];
        foreach ($gained as $milestone) {
            $events[] = $made = $this->event($event, $milestone, $milestone->kind, $on);
            $on[] = $made->id;
        }
        foreach (array_diff_key($was, $is) as $milestone) {
            $events[] = $this->event($event, $milestone, EventKind::TakenBack, $on);
        }

        return $events;
    }

    /** @param  list<string>  $on */
    private function event(Event $cause, Milestone $milestone, EventKind $kind, array $on): Event
    {
        $plan = $kind === EventKind::TakenBack ? null : $this->plans[$milestone->run];
        $on = array_values(array_unique($on));
        sort($on, SORT_STRING);

        return new Event(
            DerivedId::of($cause->id, $kind->value.'|'.$milestone->key()),
            $kind,
            $milestone->run,
            $milestone->side,
            $cause->by,
            $cause->at,
            $cause->received,
            $plan?->for($kind, $milestone->side) ?? '',
            says: $plan === null ? new TakenBack($milestone->kind) : $plan->says($kind, $milestone->side),
            on: $on,
            skew: $cause->skew,
        );
    }

    /**
     * @param  list<Event>  $a
     * @param  list<Event>  $b
     * @return int the first place at which they are not the same
     */
    private static function parting(array $a, array $b): int
    {
        foreach ($a as $i => $event) {
            if (($b[$i]->id ?? null) !== $event->id) {
                return $i;
            }
        }

        return count($a);
    }
}
