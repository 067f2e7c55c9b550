<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Schools\JoinOrder;

/**
 * In which order the contacts of a connector are joined: channel by channel, as the house has it. Source: common
 * practice.
 */
final readonly class WorkOrder
{
    /**
     * @param  array<int|string, int>  $functions  function → rank, the screen before the rest
     * @param  ?ContactPlan  $plan  whose blocks are loaded one after the other
     */
    public function __construct(
        private JoinOrder $order,
        private FittingLayout $layout,
        private array $functions,
        private ?ContactPlan $plan = null,
    ) {
    }

    /**
     * @param  list<Joint>  $joints
     * @return list<Joint>
     */
    public function sorted(array $joints): array
    {
        $channels = [];
        foreach ($joints as $joint) {
            $channels[$joint->channel][] = $joint;
        }
        foreach ($channels as $channel => $members) {
            $channels[$channel] = $this->inOrder($members);
        }
        if ($this->plan !== null && $this->plan->block > 0) {
            $channels = $this->byBlock($channels);
        } elseif ($this->order !== JoinOrder::ScreenFirst) {
            uasort($channels, fn (array $a, array $b): int => $this->key($a[0]) <=> $this->key($b[0]));
        }

        return array_merge(...array_values($channels), ...[[]]);
    }

    /**
     * @param  non-empty-list<Joint>  $joints
     * @return non-empty-list<Joint> what ranks alike stays as it was
     */
    private function inOrder(array $joints): array
    {
        $keys = array_map($this->key(...), $joints);
        asort($keys);

        return array_map(static fn (int $i): Joint => $joints[$i], array_keys($keys));
    }

    /**
     * Block by block, so that a place is found again; inside a block as the plan counts.
     *
     * @param  array<array-key, non-empty-list<Joint>>  $channels
     * @return array<array-key, non-empty-list<Joint>>
     */
    private function byBlock(array $channels): array
    {
        $places = array_flip(array_map(strval(...), array_keys($this->plan->channels ?? [])));
        $blocks = [];
        foreach ($channels as $channel => $joints) {
            $blocks[$this->plan?->blockOf((string) $channel) ?? 0][$channel] = $joints;
        }
        $hardness = array_map(
            fn (array $block): float => array_sum(
                array_map(fn (array $joints): float => $this->key($joints[0])[0], $block),
            ) / count($block),
            $blocks,
        );
        $order = array_keys($blocks);
        usort($order, function (int $a, int $b) use ($hardness): int {
            $harder = $this->order === JoinOrder::HardestFirst ? $hardness[$a] <=> $hardness[$b] : 0;

            return $harder ?: $a <=> $b;
        });
        $sorted = [];
        foreach ($order as $number) {
            uksort(
                $blocks[$number],
                static fn (int|string $a, int|string $b): int => ($places[$a] ?? 0) <=> ($places[$b] ?? 0),
            );
            $sorted += $blocks[$number];
        }

        return $sorted;
    }

    /** @return list<float> */
    private function key(Joint $joint): array
    {
        $at = $this->layout->cavities[$joint->address()]->wiring ?? null;
        $rank = (float) ($this->functions[$joint->function] ?? 99);
        if ($at === null) {
            return [0.0, 0.0, $rank];
        }

        return match ($this->order) {
            // Deep inside: what lies in the middle is walled in by its neighbours.
            JoinOrder::HardestFirst => [round(-$this->depth($at->x, $at->y), 3), $rank],
            JoinOrder::ScreenFirst => [$rank],
            JoinOrder::Across => [-$at->y, $at->x, $rank],
        };
    }

    /** How far a terminal is from the nearest edge of the connector. */
    private function depth(float $x, float $y): float
    {
        $outline = $this->layout->types['']->outline;

        return $outline->shape === 'round'
            ? $outline->width->inMillimetres() / 2 - hypot($x, $y)
            : min($outline->width->inMillimetres() / 2 - abs($x), $outline->height->inMillimetres() / 2 - abs($y));
    }
}
