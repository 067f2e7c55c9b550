<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\WiringEdit;

/**
 * Channels of a connector each on the contacts of another, in the order of its plan: across columns and blocks, round
 * the end, or with what finds no place left over.
 */
final readonly class ShiftedChannels implements FaultSource
{
    public function __construct(private FaultPlaces $places)
    {
    }

    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $fitting => $joints) {
            $touched = [];
            foreach ($joints as $joint) {
                $touched[$joint->id] = true;
            }
            $channels = $this->places->channels[$fitting] ?? [];
            $span = [];
            foreach ($channels as $place => $of) {
                if (array_intersect_key(array_flip($of), $touched) !== []) {
                    $span[] = $place;
                }
            }
            if (count($span) > 1 && end($span) - $span[0] === count($span) - 1) {
                yield from $this->shifted(array_slice($channels, $span[0], count($span)), (string) $fitting, $patch);
            }
        }
    }

    /**
     * @param  list<array<int|string, string>>  $channels  function → joint id, in their order
     * @return iterable<Fault>
     */
    private function shifted(array $channels, string $fitting, Patch $patch): iterable
    {
        $count = count($channels);
        for ($by = 1; $by < $count; $by++) {
            foreach ([true, false] as $round) {
                foreach ($round ? [$by] : [$by, -$by] as $places) {
                    $fault = $this->fault($channels, $places, $round, $fitting, $patch);
                    if ($fault !== null) {
                        yield $fault;
                    }
                }
            }
        }
    }

    /** @param  list<array<int|string, string>>  $channels */
    private function fault(array $channels, int $by, bool $round, string $fitting, Patch $patch): ?Fault
    {
        $count = count($channels);
        $edges = $nodes = [];
        foreach ($channels as $place => $of) {
            $there = $place + $by;
            $target = $round ? $channels[($there + $count) % $count] : $channels[$there] ?? [];
            foreach ($of as $function => $id) {
                $joint = $patch->wiring->edges[$id] ?? null;
                if ($joint === null) {
                    return null;
                }
                $on = $patch->wiring->edges[$target[$function] ?? ''] ?? null;
                if ($target !== [] && ($on === null || Node::fitting($on->to) !== $fitting)) {
                    return null;
                }
                $edges[$id] = $on === null ? null : $joint->movedTo($on->to);
                $nodes[] = $joint->to;
            }
        }

        return new Fault(
            FaultKind::Channels,
            $nodes,
            array_map(strval(...), array_keys($edges)),
            new WiringEdit($edges),
            // Round the end, so many on is as far as the others back.
            $round && 2 * $by > $count ? $by - $count : $by,
            $round ? 'round' : 'lost',
        );
    }
}
