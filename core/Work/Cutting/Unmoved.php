<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Work\Cutting\Packing\Allotment;
use Sartal\Core\Work\Cutting\Packing\BestAllotment;
use Sartal\Core\Work\Cutting\Packing\Stocked;

/**
 * After something went otherwise than planned: every cut stays on the stock that it was to come off, as long as it is
 * there and long enough, and only the others are laid out anew. Where that would buy more than beginning afresh, or
 * leave more without cable, the stock with the most room is laid out anew with them, more of it by and by. Reels that
 * are yet to be bought hold nothing.
 */
final readonly class Unmoved
{
    private Stocked $stocked;

    /**
     * @param  list<Lot>  $lots  longest first
     * @param  array<int|string, string>  $before  run → stock that it was to come off
     */
    private function __construct(
        private array $lots,
        private Shelf $shelf,
        private array $before,
        private Length $usable,
    ) {
        $this->stocked = $shelf->with($lots, $usable);
    }

    /**
     * @param  list<Lot>  $lots  longest first
     * @param  array<int|string, string>  $before  run → stock that it was to come off
     */
    public static function allotment(
        array $lots,
        Shelf $shelf,
        array $before,
        Length $usable,
    ): BestAllotment {
        $unmoved = new self($lots, $shelf, $before, $usable);
        [$stays, $free] = $unmoved->stays();
        if (array_filter($stays) === []) {
            return BestAllotment::of($unmoved->stocked);
        }
        $first = $unmoved->with($stays);
        $atLeast = BestAllotment::atLeast($unmoved->stocked);
        if ($first->unmet === [] && count($first->bought) <= $atLeast && count($shelf->sold) < 2) {
            // Nothing could be better in what counts here.
            return new BestAllotment($first, $atLeast);
        }
        $best = BestAllotment::of($unmoved->stocked);
        arsort($free);
        $stock = array_keys($free);
        $allotment = $first;
        for ($anew = 1; $anew <= count($stock); $anew = 2 * $anew + 1) {
            if (! $unmoved->isWorse($allotment, $best->allotment)) {
                return $best->with($allotment);
            }
            foreach (array_slice($stock, 0, $anew) as $each) {
                $stays[$each] = [];
            }
            $allotment = $unmoved->with(array_values($stays));
        }

        return $best;
    }

    /** @return array{list<list<int>>, list<int>} stock → lots that stay, room that is left */
    private function stays(): array
    {
        $at = array_flip(array_map(static fn (Stock $each): string => $each->id, $this->shelf->stock));
        $free = $this->stocked->shelf;
        $stays = array_fill(0, count($free), []);
        foreach ($this->lots as $key => $lot) {
            $stock = $at[$this->before[$lot->needs[0]->run] ?? ''] ?? null;
            if ($stock !== null && $free[$stock] >= $this->stocked->lots[$key]) {
                $free[$stock] -= $this->stocked->lots[$key];
                $stays[$stock][] = $key;
            }
        }

        return [$stays, $free];
    }

    /** @param  list<list<int>>  $stays  stock → lots */
    private function with(array $stays): Allotment
    {
        $loose = array_values(array_diff(array_keys($this->lots), ...array_values($stays)));
        $free = array_map(
            fn (int $stock, array $lots): int => $this->stocked->shelf[$stock] - $this->stocked->sum($lots),
            array_keys($stays),
            array_values($stays),
        );
        $rest = BestAllotment::of($this->shelf->left(Lot::among($this->lots, $loose), $this->usable, $free))->allotment;

        return new Allotment(
            array_map(
                static fn (array $kept, array $more): array => [...$kept, ...self::among($loose, $more)],
                $stays,
                $rest->shelf,
            ),
            array_map(static fn (array $reel): array => self::among($loose, $reel), $rest->bought),
            self::among($loose, $rest->unmet),
        );
    }

    /**
     * @param  list<int>  $loose
     * @param  list<int>  $keys
     * @return list<int>
     */
    private static function among(array $loose, array $keys): array
    {
        return array_map(static fn (int $key): int => $loose[$key], $keys);
    }

    private function isWorse(Allotment $allotment, Allotment $best): bool
    {
        [$one, $other] = [$allotment->cost($this->stocked), $best->cost($this->stocked)];

        return [$one->unmet, $one->bought, $one->length] > [$other->unmet, $other->bought, $other->length];
    }
}
