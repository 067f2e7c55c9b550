<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Work\Cutting\CablePlan;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\CutNeeded;
use Sartal\Core\Work\Cutting\CutPlanner;
use Sartal\Core\Work\Cutting\Packing\FewestReels;
use Tests\Support\Bench;
use Tests\Support\Node;

/** Reels that a cut plan buys, beside the linear bound of an independent solver (Gilmore and Gomory 1961; HiGHS). */
final class CuttingBoundTest extends TestCase
{
    private const REEL = 100_000;

    /** @param  list<int>  $millimetres */
    private static function plan(array $millimetres): CablePlan
    {
        $bench = Bench::microphone()->withCatalogueEdited(['cables.pair-foil.reels' => ['100 m']]);
        $needs = [];
        foreach ($millimetres as $i => $length) {
            $needs[] = new CutNeeded('A-1', 'pair-foil', Length::millimetres($length));
        }

        $facts = CutFacts::of($bench->installation, $bench->plan());

        return (new CutPlanner($facts))->plan($needs, [])->cables['pair-foil'];
    }

    public function test_fifty_instances_of_200_cuts_take_at_most_one_reel_more_than_the_bound(): void
    {
        $random = new Randomizer(new Mt19937(2026));
        $instances = [];
        for ($n = 0; $n < 50; $n++) {
            // In whole metres, so that the solver's patterns stay few: long runs, short runs, or both, by turns.
            [$least, $most] = [[3, 40], [10, 60], [20, 100]][$n % 3];
            $instances[] = array_map(static fn (): int => $random->getInt($least, $most) * 1000, range(1, 200));
        }
        $bounds = Node::ask(
            'reels',
            array_map(
                static fn (array $sizes): array => [
                    'sizes' => array_map(static fn (int $size): int => intdiv($size, 1000), $sizes),
                    'capacity' => 100,
                ],
                $instances,
            ),
        );
        foreach ($instances as $n => $sizes) {
            $least = (int) ceil($bounds[$n] - 1e-6);
            $plan = self::plan($sizes);
            self::assertLessThanOrEqual($least + 1, $plan->bought, 'instance '.$n);
            self::assertGreaterThanOrEqual($least, $plan->bought, 'no plan beats the bound');
            self::assertLessThanOrEqual($least, $plan->atLeast, 'what is stated as the least is never above the bound');
            self::assertGreaterThanOrEqual($least - 1, $plan->atLeast, 'and close to it');
        }
    }

    public function test_cuts_that_fill_reels_exactly_take_no_reel_more_in_most_cases(): void
    {
        $random = new Randomizer(new Mt19937(99));
        $exact = 0;
        for ($n = 0; $n < 50; $n++) {
            $reels = $random->getInt(8, 30);
            $sizes = [];
            for ($reel = 0; $reel < $reels; $reel++) {
                for ($left = self::REEL; $left > 0; $left -= $cut) {
                    $cut = min($left, $random->getInt(60, 500) * 50);
                    $sizes[] = $cut;
                }
            }
            $plan = self::plan(array_values($random->shuffleArray($sizes)));
            self::assertLessThanOrEqual($reels + 1, $plan->bought);
            $exact += $plan->bought === $reels ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(45, $exact, 'of 50');
    }

    public function test_the_bound_that_is_shown_is_never_above_what_an_exact_search_needs(): void
    {
        $random = new Randomizer(new Mt19937(3));
        for ($n = 0; $n < 200; $n++) {
            $sizes = array_map(static fn (): int => $random->getInt(1, 20), range(1, 7));
            self::assertLessThanOrEqual(self::fewest($sizes, 20), FewestReels::bins($sizes, 20));
        }
    }

    /**
     * Every way of putting them into bins.
     *
     * @param  list<int>  $sizes
     * @param  list<int>  $rooms
     */
    private static function fewest(array $sizes, int $capacity, array $rooms = []): int
    {
        if ($sizes === []) {
            return count($rooms);
        }
        $size = array_shift($sizes);
        $best = self::fewest($sizes, $capacity, [...$rooms, $capacity - $size]);
        foreach (array_unique($rooms) as $i => $room) {
            if ($room >= $size) {
                $best = min($best, self::fewest($sizes, $capacity, array_replace($rooms, [$i => $room - $size])));
            }
        }

        return $best;
    }
}
