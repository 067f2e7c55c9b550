<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * Whether so few reels do: lot by lot, the longest first, on every stock that is unlike another, and back where what is
 * free can no longer hold what is left (branch and bound; S. Martello and P. Toth, "Knapsack Problems", 1990, chapter
 * 8). Few lots are searched to the end; with more it may stop without an answer.
 */
final class Fewer
{
    private const MOST = 40;

    private const STEPS = 15_000;

    private int $steps = 0;

    /** @var array<string, true> what was tried: the next lot, and what was free */
    private array $tried = [];

    /** @var array<int, int> lot → stock */
    private array $on = [];

    /** @param  list<int>  $after  what each lot and those after it take together */
    private function __construct(private readonly Stocked $stocked, private readonly array $after)
    {
    }

    /** The allotment; false where there is none; null where it was not found out. */
    public static function than(Stocked $stocked, int $reels): Allotment|false|null
    {
        if (count($stocked->lots) > self::MOST) {
            return null;
        }
        $after = [0];
        foreach (array_reverse($stocked->lots) as $lot) {
            array_unshift($after, $after[0] + $lot);
        }
        $fewer = new self($stocked, $after);
        $free = [...$stocked->shelf, ...array_fill(0, $reels, $stocked->reel)];
        if (! $fewer->place(0, $free)) {
            return $fewer->steps > self::STEPS ? null : false;
        }
        $bins = array_fill(0, count($free), []);
        foreach ($fewer->on as $lot => $bin) {
            $bins[$bin][] = $lot;
        }
        $shelf = count($stocked->shelf);

        return new Allotment(
            array_slice($bins, 0, $shelf),
            array_values(array_filter(array_slice($bins, $shelf))),
        );
    }

    /** @param  array<int, int>  $free */
    private function place(int $lot, array $free): bool
    {
        if ($lot === count($this->stocked->lots)) {
            return true;
        }
        if (++$this->steps > self::STEPS) {
            return false;
        }
        $length = $this->stocked->lots[$lot];
        $least = $this->stocked->lots[count($this->stocked->lots) - 1];
        $useful = array_filter($free, static fn (int $left): bool => $left >= $least);
        sort($useful);
        $state = $lot.':'.implode(',', $useful);
        if (array_sum($useful) < $this->after[$lot] || isset($this->tried[$state])) {
            return false;
        }
        $this->tried[$state] = true;
        // The tightest first.
        asort($free);
        $last = -1;
        foreach ($free as $bin => $left) {
            if ($left < $length || $left === $last) {
                continue;
            }
            $last = $left;
            $this->on[$lot] = $bin;
            if ($this->place($lot + 1, array_replace($free, [$bin => $left - $length]))) {
                return true;
            }
            if ($left === $length) {
                // Nothing could use it better.
                break;
            }
        }

        return false;
    }
}
