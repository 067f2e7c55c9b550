<?php

declare(strict_types=1);

namespace Sartal\Core\Preparing;

use Sartal\Core\Installation\JoinOrder;
use Sartal\Core\Wiring\FittingLayout;
use Sartal\Core\Wiring\Joint;

/** In which order the contacts of a connector are joined: channel by channel, as the house has it. Source: common practice. */
final readonly class WorkOrder
{
    /** @param  array<string, int>  $functions  function → rank, the screen before the rest */
    public function __construct(private JoinOrder $order, private FittingLayout $layout, private array $functions)
    {
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
            usort($members, fn (Joint $a, Joint $b): int => $this->key($a) <=> $this->key($b));
            $channels[$channel] = $members;
        }
        if ($this->order !== JoinOrder::ScreenFirst) {
            uasort($channels, fn (array $a, array $b): int => $this->key($a[0]) <=> $this->key($b[0]));
        }

        return array_merge(...array_values($channels), ...[[]]);
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
