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
     * @param  array<int|string, list<list<string>>>  $rows  fitting → every terminal, in each order that they may be
     *     counted in
     * @param  array<int|string, string>  $groups  joint id → element
     */
    public function __construct(private array $rows, private array $groups)
    {
    }

    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $fitting => $joints) {
            if (count($joints) < 2) {
                continue;
            }
            foreach ($this->rows[$fitting] ?? [] as $row) {
                yield from $this->along($row, $joints);
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
     * @param  list<string>  $row
     * @param  list<Edge>  $joints
     * @return iterable<Fault>
     */
    private function along(array $row, array $joints): iterable
    {
        $place = array_flip($row);
        usort($joints, static fn (Edge $a, Edge $b): int => ($place[$a->to] ?? -1) <=> ($place[$b->to] ?? -1));
        for ($by = 1; $by <= self::FURTHEST; $by++) {
            foreach ([$by, -$by] as $places) {
                foreach ($this->blocks($joints, $places) as $block) {
                    foreach (self::endings($block, $joints, $places, count($row)) as $beyond) {
                        $fault = $this->shifted($block, $places, $row, $place, $beyond);
                        if ($fault !== null) {
                            yield $fault;
                        }
                    }
                }
            }
        }
    }

    /**
     * What may become of what is pushed over the end. Two that changed places are a swap, and round the end so many on
     * is as far as the others back.
     *
     * @param  list<Edge>  $block
     * @param  list<Edge>  $joints
     * @return list<string>
     */
    private static function endings(array $block, array $joints, int $places, int $length): array
    {
        $isWhole = count($block) === count($joints) && count($block) > 2;

        return match (true) {
            ! $isWhole => [''],
            2 * abs($places) < $length || (2 * $places === $length) => ['', 'round', 'lost'],
            default => ['', 'lost'],
        };
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
     * @param  string  $beyond  what becomes of what is pushed over the end: "round" to the other one, "lost"; "":
     *     nothing is
     */
    private function shifted(array $block, int $places, array $row, array $place, string $beyond): ?Fault
    {
        $edges = [];
        $nodes = [];
        $over = 0;
        $count = count($row);
        foreach ($block as $joint) {
            if (! isset($place[$joint->to])) {
                return null;
            }
            $there = $place[$joint->to] + $places;
            $to = $row[$beyond === 'round' ? ($there + $count) % $count : $there] ?? null;
            $over += isset($row[$there]) ? 0 : 1;
            if ($to === null && $beyond !== 'lost') {
                return null;
            }
            $edges[$joint->id] = $to === null ? null : $joint->movedTo($to);
            $nodes[] = $joint->to;
        }
        // Where nothing is pushed over the end there is one shift, and where all is there is none.
        if (($over === 0) !== ($beyond === '') || $over === count($block)) {
            return null;
        }

        return new Fault(
            FaultKind::Shift,
            [$nodes[0], $nodes[count($nodes) - 1]],
            array_map(strval(...), array_keys($edges)),
            new WiringEdit($edges),
            $places,
            $beyond,
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
