<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\WiringEdit;

/**
 * A block of conductors loaded some places too far on, or one channel's worth
 * turned round among its own terminals.
 */
final readonly class Shifts implements FaultSource
{
    /** A block is out by a contact, or by a channel of up to this many. */
    private const FURTHEST = 8;

    /**
     * @param  array<int|string, list<string>>  $terminals  every terminal by fitting, in the order of the connector
     * @param  array<int|string, string>  $groups  joint id → element
     */
    public function __construct(private array $terminals, private array $groups)
    {
    }

    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $fitting => $joints) {
            if (count($joints) < 2) {
                continue;
            }
            $row = $this->terminals[$fitting] ?? [];
            $place = array_flip($row);
            for ($by = 1; $by <= self::FURTHEST; $by++) {
                foreach ([$by, -$by] as $places) {
                    foreach ($this->blocks($joints, $places) as $block) {
                        $fault = $this->shifted($block, $places, $row, $place);
                        if ($fault !== null) {
                            yield $fault;
                        }
                    }
                }
            }
            $channels = [];
            foreach ($joints as $joint) {
                $channels[$this->groups[$joint->id] ?? ''][] = $joint;
            }
            foreach ($channels as $channel) {
                yield from $this->turned($channel);
            }
        }
    }

    /**
     * The whole row; and, because the last of a shifted block may have been
     * left over, the row without its far end.
     *
     * @param  list<Edge>  $joints
     * @return list<list<Edge>>
     */
    private function blocks(array $joints, int $places): array
    {
        $count = count($joints);
        $without = $places > 0 ? array_slice($joints, 0, $count - 1) : array_slice($joints, 1);

        return count($without) > 1 ? [$joints, $without] : [$joints];
    }

    /**
     * @param  list<Edge>  $block
     * @param  list<string>  $row
     * @param  array<int|string, int>  $place
     */
    private function shifted(array $block, int $places, array $row, array $place): ?Fault
    {
        $edges = [];
        $nodes = [];
        foreach ($block as $joint) {
            $to = $row[($place[$joint->to] ?? -99) + $places] ?? null;
            if ($to === null) {
                return null;
            }
            $edges[$joint->id] = $joint->movedTo($to);
            $nodes[] = $joint->to;
        }

        return new Fault(
            FaultKind::Shift,
            [$nodes[0], $nodes[count($nodes) - 1]],
            array_map(strval(...), array_keys($edges)),
            new WiringEdit($edges),
            $places,
        );
    }

    /**
     * @param  list<Edge>  $joints
     * @return iterable<Fault>
     */
    private function turned(array $joints): iterable
    {
        $count = count($joints);
        if (
            $count < 3 ||
            $count !== count(array_unique(array_map(static fn (Edge $joint): string => $joint->to, $joints)))
        ) {
            return;
        }
        foreach ([1, -1] as $by) {
            $edges = [];
            foreach ($joints as $i => $joint) {
                $edges[$joint->id] = $joint->movedTo($joints[($i + $by + $count) % $count]->to);
            }
            $nodes = array_map(static fn (Edge $joint): string => $joint->to, $joints);
            yield new Fault(
                FaultKind::Shift,
                $nodes,
                array_map(strval(...), array_keys($edges)),
                new WiringEdit($edges),
                $by,
            );
        }
    }
}
