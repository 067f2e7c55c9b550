<?php

declare(strict_types=1);

namespace Tests\Core\Ways;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Work\Cutting\Bins;
use Sartal\Core\Work\Cutting\Chance;
use Sartal\Core\Work\Cutting\FewestReels;
use Sartal\Core\Work\Cutting\Fill;
use Sartal\Core\Work\Cutting\Leftover;

/** Filling one reel against every possible choice, and many reels against what has to hold of them. */
final class FillTest extends TestCase
{
    private static function random(int $seed): Randomizer
    {
        return new Randomizer(new Mt19937($seed));
    }

    /**
     * The least that leaving a rest can cost, over all subsets.
     *
     * @param  list<int>  $sizes
     */
    private static function least(array $sizes, int $capacity, Leftover $leftover): float
    {
        $best = INF;
        for ($subset = 0; $subset < 1 << count($sizes); $subset++) {
            $sum = 0;
            foreach ($sizes as $i => $size) {
                $sum += (($subset >> $i) & 1) === 1 ? $size : 0;
            }
            if ($sum <= $capacity) {
                $best = min($best, $leftover->cost($capacity - $sum));
            }
        }

        return $best;
    }

    public function test_one_reel_is_filled_as_well_as_any_choice_could(): void
    {
        $random = self::random(31);
        for ($n = 0; $n < 400; $n++) {
            $capacity = $random->getInt(1, 400);
            $sizes = array_map(static fn (): int => $random->getInt(1, 150), range(1, $random->getInt(1, 10)));
            rsort($sizes);
            $leftover = $n % 2 === 0 ? Leftover::plain() : new Leftover($random->getInt(1, 120));
            $taken = Fill::best($sizes, $capacity, $leftover);
            self::assertSame(count($taken), count(array_unique($taken)), 'each at most once');
            $sum = array_sum(array_map(static fn (int $i): int => $sizes[$i], $taken));
            self::assertLessThanOrEqual($capacity, $sum);
            self::assertEqualsWithDelta(
                self::least($sizes, $capacity, $leftover),
                $leftover->cost($capacity - $sum),
                1e-9,
                json_encode([$sizes, $capacity, $leftover->usable], JSON_THROW_ON_ERROR),
            );
        }
    }

    public function test_word_boundaries_of_the_bits_are_no_boundary(): void
    {
        foreach ([61, 62, 63, 123, 124, 125, 186] as $capacity) {
            self::assertSame([0], Fill::best([$capacity], $capacity, Leftover::plain()));
            self::assertSame([], Fill::best([$capacity + 1], $capacity, Leftover::plain()));
            self::assertSame([0, 1], Fill::best([$capacity - 1, 1], $capacity, Leftover::plain()));
        }
        self::assertSame([], Fill::best([5], 0, Leftover::plain()));
        self::assertSame([], Fill::best([], 10, Leftover::plain()));
    }

    public function test_a_rest_worth_keeping_is_preferred_to_a_scrap_and_a_full_reel_to_both(): void
    {
        // 100 units, kept from 30: 95 leaves 5 of scrap, 60 leaves 40 that cost as 2.
        self::assertSame([1], Fill::best([95, 60], 100, new Leftover(30)));
        self::assertSame([0], Fill::best([95, 60], 100, Leftover::plain()));
        self::assertSame([0], Fill::best([100, 60], 100, new Leftover(30)));
    }

    public function test_every_cut_is_in_one_bin_and_no_bin_holds_more_than_it_may(): void
    {
        $random = self::random(12);
        for ($n = 0; $n < 60; $n++) {
            $capacity = $random->getInt(20, 2000);
            $sizes = array_map(static fn (): int => $random->getInt(1, $capacity), range(1, $random->getInt(1, 80)));
            $bins = Bins::pack($sizes, $capacity, new Leftover(intdiv($capacity, 10)));
            $keys = array_merge(...$bins);
            sort($keys);
            self::assertSame(array_keys($sizes), $keys);
            foreach ($bins as $bin) {
                self::assertLessThanOrEqual(
                    $capacity,
                    array_sum(array_map(static fn (int $key): int => $sizes[$key], $bin)),
                );
            }
            self::assertGreaterThanOrEqual(FewestReels::bins($sizes, $capacity), count($bins));
            self::assertLessThanOrEqual(
                (int) ceil((2 * array_sum($sizes)) / $capacity) + 1,
                count($bins),
                'no two bins could be one',
            );
        }
    }

    public function test_the_same_cuts_always_pack_alike(): void
    {
        $sizes = array_map(static fn (int $n): int => 100 + (($n * 37) % 500), range(1, 60));
        self::assertSame(Bins::pack($sizes, 1000, new Leftover(60)), Bins::pack($sizes, 1000, new Leftover(60)));
        [$one, $other] = [new Chance(7), new Chance(7)];
        for ($n = 0; $n < 100; $n++) {
            $number = $one->below(9);
            self::assertSame($number, $other->below(9));
            self::assertLessThan(9, $number);
        }
    }

    public function test_the_bound_is_what_sizes_alone_say(): void
    {
        // Martello and Toth 1990, chapter 8: items above half a bin need one each; what is small fills up.
        self::assertSame(3, FewestReels::bins([6, 6, 6], 10));
        self::assertSame(3, FewestReels::bins([6, 6, 6, 4, 4, 4], 10));
        self::assertSame(4, FewestReels::bins([6, 6, 6, 4, 4, 4, 4], 10));
        self::assertSame(0, FewestReels::bins([], 10));
        self::assertSame(1, FewestReels::bins([10], 10));
    }
}
