<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Work\Cutting\Packing\BestAllotment;
use Sartal\Core\Work\Cutting\Packing\FewestReels;
use Sartal\Core\Work\Cutting\Packing\Stocked;
use Tests\Support\Node;

/** What is bought and wasted, beside an integer program of an independent solver (HiGHS) and plans known beforehand. */
final class CuttingExactTest extends TestCase
{
    /** @return list<Stocked> what is to be laid out, with offcuts, reels and one or two lengths on sale */
    private static function cases(int $seed, int $count, int $lots): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $draw = static fn (int $least, int $most, int $from, int $to): array => array_map(
            static fn (): int => $random->getInt($from, $to),
            range(1, $random->getInt($least, $most)),
        );
        $cases = [];
        for ($n = 0; $n < $count; $n++) {
            $sold = $n % 3 === 0 ? [30, 60] : [50];
            $cuts = $draw(2, $lots, 4, $n % 2 === 0 ? 30 : 50);
            rsort($cuts);
            $shelf = $n % 4 === 0 ? [] : $draw(1, 3, 5, 45);
            $cases[] = new Stocked($cuts, $shelf, array_fill(0, count($shelf), 1), $sold, $random->getInt(2, 10));
        }

        return $cases;
    }

    /**
     * @param  list<Stocked>  $cases
     * @return array<array-key, mixed> bought, length bought, scrap of each
     */
    private static function solved(array $cases): array
    {
        return Node::ask(
            'layouts',
            array_map(
                static fn (Stocked $each): array => [
                    'lots' => $each->lots,
                    'shelf' => $each->shelf,
                    'sold' => $each->sold,
                    'usable' => $each->usable,
                ],
                $cases,
            ),
        );
    }

    public function test_four_hundred_small_plans_buy_and_waste_what_an_integer_program_does(): void
    {
        $cases = self::cases(412, 400, 7);
        foreach (self::solved($cases) as $n => $least) {
            $case = $cases[$n];
            $best = BestAllotment::of($case);
            $cost = $best->allotment->cost($case);
            $said = (string) json_encode($case);
            self::assertSame($least, [$cost->bought, $cost->length, $cost->scrap], $said);
            self::assertSame(0, $cost->unmet, $said);
            self::assertLessThanOrEqual($cost->bought, $best->atLeast, $said);
        }
    }

    /** Too many for all sets of them: what is bought is still the least in nearly all, and never below the bound. */
    public function test_middling_plans_buy_what_an_integer_program_does(): void
    {
        $cases = array_values(
            array_filter(self::cases(77, 36, 14), static fn (Stocked $case): bool => count($case->lots) > 11),
        );
        self::assertGreaterThan(5, count($cases));
        $same = 0;
        foreach (self::solved($cases) as $n => $least) {
            $best = BestAllotment::of($cases[$n]);
            self::assertIsArray($least);
            $bought = $best->allotment->cost($cases[$n])->bought;
            self::assertGreaterThanOrEqual($least[0], $bought);
            self::assertLessThanOrEqual($least[0], $best->atLeast);
            $same += $bought === $least[0] ? 1 : 0;
        }
        self::assertSame(count($cases), $same);
    }

    /**
     * Reels cut up at random, to the millimetre and coarser, each into four to twelve: known to go on so many. The
     * generator is the test's own.
     */
    public function test_reels_that_were_cut_up_exactly_are_put_together_again(): void
    {
        $random = new Randomizer(new Mt19937(305));
        $reached = 0;
        for ($n = 0; $n < 100; $n++) {
            $grid = [1, 5, 10, 50, 250][$n % 5];
            $capacity = intdiv(305_000, $grid);
            $reels = $random->getInt(5, 50);
            $lots = [];
            for ($reel = 0; $reel < $reels; $reel++) {
                $at = [0, $capacity];
                for ($cut = $random->getInt(3, 11); $cut > 0; $cut--) {
                    $at[] = $random->getInt(1, $capacity - 1);
                }
                sort($at);
                for ($i = 1; $i < count($at); $i++) {
                    $lots[] = $at[$i] - $at[$i - 1];
                }
            }
            $lots = array_values(array_filter($lots));
            rsort($lots);
            $case = new Stocked($lots, [], [], [$capacity], intdiv($capacity, 100));
            $best = BestAllotment::of($case);
            $all = array_merge(...$best->allotment->bought);
            sort($all);
            self::assertSame(array_keys($lots), $all, 'every cut is on one reel');
            foreach ($best->allotment->bought as $reel) {
                self::assertLessThanOrEqual($capacity, $case->sum($reel));
            }
            self::assertSame($reels, FewestReels::of($case), 'the bound is tight where nothing is left');
            $reached += count($best->allotment->bought) === $reels ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(95, $reached, 'of 100');
    }
}
