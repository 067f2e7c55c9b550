<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\SecondEnd;

/**
 * Puts operations in an order that can be worked: what is needed comes
 * first, ends as the house has them, and within an end what is like is done
 * together, so that a tool is taken up once. Where something has to cool,
 * other work of the same end is done meanwhile.
 *
 * A list schedule over static priorities: n operations with m needs take
 * O((n + m) log n).
 */
final readonly class Sequencer
{
    public function __construct(private SecondEnd $rule)
    {
    }

    /**
     * @param  list<Operation>  $operations
     * @return list<Operation>
     *
     * @throws \LogicException when operations need each other in a circle
     */
    public function order(array $operations): array
    {
        $byId = $open = $then = [];
        foreach ($operations as $operation) {
            $byId[$operation->id] = $operation;
        }
        foreach ($byId as $id => $operation) {
            $open[$id] = 0;
            foreach ($operation->needs as $need) {
                if (isset($byId[$need->before])) {
                    $open[$id]++;
                    $then[$need->before][] = $id;
                }
            }
        }
        $keys = $this->keys($operations);
        /** @var \SplMinHeap<array{list<int>, string}> $heap */
        $heap = new \SplMinHeap();
        foreach ($open as $id => $count) {
            if ($count === 0) {
                $heap->insert([$keys[$id], (string) $id]);
            }
        }
        $order = [];
        $clock = 0.0;
        $from = [];
        while (! $heap->isEmpty()) {
            $id = $this->next($heap, $from, $clock);
            $operation = $byId[$id];
            $order[] = $operation;
            $clock = max($clock, $from[$id] ?? 0.0) + $operation->pace->minutes() * $operation->amount;
            foreach ($then[$id] ?? [] as $after) {
                $from[$after] = max($from[$after] ?? 0.0, $clock + $operation->wait / 60);
                if (--$open[$after] === 0) {
                    $heap->insert([$keys[$after], (string) $after]);
                }
            }
        }
        if (count($order) !== count($byId)) {
            throw new \LogicException(
                'Operations need each other in a circle: '.
                    implode(', ', array_slice(array_keys(array_filter($open)), 0, 5)),
            );
        }

        return $order;
    }

    /**
     * The first by priority that does not have to cool any longer; where all
     * of its end do, the first of them.
     *
     * @param  \SplMinHeap<array{list<int>, string}>  $heap
     * @param  array<int|string, float>  $from  operation → minute from which it can begin
     */
    private function next(\SplMinHeap $heap, array $from, float $clock): string
    {
        $aside = [];
        $chosen = null;
        while (! $heap->isEmpty() && $chosen === null) {
            $top = $heap->extract();
            if ($aside !== [] && $top[0][0] !== $aside[0][0][0]) {
                $heap->insert($top);

                break;
            }
            ($from[$top[1]] ?? 0.0) <= $clock ? ($chosen = $top) : ($aside[] = $top);
        }
        $chosen ??= array_shift($aside);
        foreach ($aside as $entry) {
            $heap->insert($entry);
        }

        return $chosen[1] ?? throw new \LogicException('There is nothing to choose from.');
    }

    /**
     * @param  list<Operation>  $operations
     * @return array<int|string, list<int>> group, phase, turn, tool, likeness, place
     */
    private function keys(array $operations): array
    {
        $tools = $likes = $keys = [];
        foreach ($operations as $i => $operation) {
            $keys[$operation->id] = [
                $this->group($operation),
                $operation->phase->value,
                $operation->turn,
                ($tools[$operation->tool] ??= count($tools)),
                ($likes[$operation->like] ??= count($likes)),
                $i,
            ];
        }

        return $keys;
    }

    private function group(Operation $operation): int
    {
        if ($operation->side === null || $operation->phase->isOfTheRun()) {
            return $operation->task === Task::Test ? 9 : 0;
        }
        $isLook = $operation->task === Task::Inspect && $operation->phase->isBeforeJoining();
        if ($this->rule === SecondEnd::Together && ($operation->task->isPreparation() || $isLook)) {
            return 1;
        }

        return $operation->side === Side::A ? 2 : 3;
    }
}
