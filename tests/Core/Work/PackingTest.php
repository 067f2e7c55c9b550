<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Work\Cutting\Packing\Allotment;
use Sartal\Core\Work\Cutting\Packing\BestAllotment;
use Sartal\Core\Work\Cutting\Packing\Chance;
use Sartal\Core\Work\Cutting\Packing\EvenFills;
use Sartal\Core\Work\Cutting\Packing\Fewer;
use Sartal\Core\Work\Cutting\Packing\FewestReels;
use Sartal\Core\Work\Cutting\Packing\Fill;
use Sartal\Core\Work\Cutting\Packing\FullReels;
use Sartal\Core\Work\Cutting\Packing\Leftover;
use Sartal\Core\Work\Cutting\Packing\Repack;
use Sartal\Core\Work\Cutting\Packing\Stocked;

/** Filling one reel against every possible choice, and many reels against what has to hold of them. */
final class PackingTest extends TestCase
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
            rsort($sizes);
            $bins = self::packed($sizes, $capacity, intdiv($capacity, 10))->bought;
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
        rsort($sizes);
        self::assertEquals(self::packed($sizes, 1000, 60), self::packed($sizes, 1000, 60));
        [$one, $other] = [new Chance(7), new Chance(7)];
        for ($n = 0; $n < 100; $n++) {
            $number = $one->below(9);
            self::assertSame($number, $other->below(9));
            self::assertLessThan(9, $number);
        }
    }

    /** @param  list<int>  $sizes  longest first */
    private static function packed(array $sizes, int $capacity, int $usable): Allotment
    {
        $stocked = new Stocked($sizes, [], [], [$capacity], $usable);

        return Repack::best($stocked, FewestReels::of($stocked));
    }

    public function test_lots_that_fill_so_many_reels_are_found_to_and_others_are_not(): void
    {
        self::assertNull(FullReels::pack([6, 6, 6], 10, 2));
        self::assertNull(FullReels::pack([8, 8, 4], 10, 2), 'as long together, but not apart');
        self::assertSame([], FullReels::pack([], 10, 0));
        $random = self::random(8);
        for ($n = 0; $n < 200; $n++) {
            $sizes = [];
            $reels = $random->getInt(2, 8);
            for ($reel = 0; $reel < $reels; $reel++) {
                $cut = $random->getInt(1, 9998);
                array_push($sizes, $cut, $other = $random->getInt(1, 9999 - $cut), 10_000 - $cut - $other);
            }
            rsort($sizes);
            $packed = FullReels::pack($sizes, 10_000, $reels);
            self::assertNotNull($packed);
            $all = array_merge(...$packed);
            sort($all);
            self::assertSame(array_keys($sizes), $all);
            foreach ($packed as $reel) {
                $sum = array_sum(array_map(static fn (int $key): int => $sizes[$key], $reel));
                self::assertSame(10_000, $sum);
            }
        }
    }

    /** Against every choice of so many lots there is, one after the other. */
    public function test_all_choices_of_so_many_lots_that_fill_a_reel_are_listed_once(): void
    {
        for ($seed = 1; $seed <= 1000; $seed++) {
            $random = self::random($seed);
            $lots = $random->getInt(3, 6);
            $lengths = [];
            for ($n = $random->getInt(3, 8); $n > 0; $n--) {
                $lengths[$random->getInt(1, 40)] = $random->getInt(1, 3);
            }
            krsort($lengths);
            [$capacity, $slack] = [$random->getInt(20, 120), $random->getInt(0, 6)];
            $all = self::choices(array_keys($lengths), array_values($lengths), 0, $lots, $capacity, $slack);
            $listed = EvenFills::of(array_keys($lengths), array_values($lengths), $capacity, $slack, $lots, 10_000);
            self::assertNotNull($listed);
            [$is, $wanted] = [array_map(serialize(...), $listed), array_map(serialize(...), $all)];
            sort($is);
            sort($wanted);
            self::assertSame($wanted, $is, 'seed '.$seed);
            if (count($listed) > 1) {
                self::assertNull(EvenFills::of(
                    array_keys($lengths),
                    array_values($lengths),
                    $capacity,
                    $slack,
                    $lots,
                    count($listed) - 1,
                ));
            }
        }
        self::assertNull(EvenFills::of([3], [9], 9, 0, 2, 10), 'two lots are others to find');
    }

    /**
     * @param  list<int>  $lengths
     * @param  list<int>  $left
     * @return list<array<int, int>>
     */
    private static function choices(array $lengths, array $left, int $from, int $lots, int $free, int $slack): array
    {
        if ($lots === 0) {
            return $free >= 0 && $free <= $slack ? [[]] : [];
        }
        $found = [];
        for ($n = $from; $n < count($lengths); $n++) {
            for ($many = 1; $many <= min($left[$n], $lots); $many++) {
                $rest = $free - $many * $lengths[$n];
                foreach (self::choices($lengths, $left, $n + 1, $lots - $many, $rest, $slack) as $choice) {
                    $found[] = [$n => $many] + $choice;
                }
            }
        }

        return $found;
    }

    public function test_reels_of_as_many_lots_each_are_found_again(): void
    {
        foreach ([3 => 40, 4 => 40, 5 => 18, 6 => 13] as $lots => $most) {
            for ($seed = 1; $seed <= 10; $seed++) {
                $random = self::random(100 * $lots + $seed);
                $reels = $random->getInt(2, $most);
                $sizes = [];
                for ($reel = 0; $reel < $reels; $reel++) {
                    $cuts = [0, 305_000, ...array_map(
                        static fn (): int => $random->getInt(1, 304_999),
                        range(2, $lots),
                    )];
                    sort($cuts);
                    for ($n = 1; $n <= $lots; $n++) {
                        $sizes[] = max(1, $cuts[$n] - $cuts[$n - 1]);
                    }
                }
                if (array_sum($sizes) !== $reels * 305_000) {
                    continue;
                }
                rsort($sizes);
                $packed = FullReels::even($sizes, 305_000, $reels);
                self::assertNotNull($packed, sprintf('%d reels of %d, seed %d', $reels, $lots, $seed));
                $all = array_merge(...$packed);
                sort($all);
                self::assertSame(array_keys($sizes), $all);
                foreach ($packed as $reel) {
                    self::assertSame(305_000, array_sum(array_map(static fn (int $key): int => $sizes[$key], $reel)));
                }
            }
        }
        self::assertNull(FullReels::even([5, 5, 5], 10, 2), 'not as many each');
        self::assertNull(FullReels::even([8, 8, 2, 2], 9, 2), 'too long together');
    }

    /** Every lot on every stock, or on a reel more: as few as can be. */
    private static function fewest(Stocked $stocked, int $lot, array $free, int $bought): int
    {
        if ($lot === count($stocked->lots)) {
            return $bought;
        }
        $length = $stocked->lots[$lot];
        $best = $length <= $stocked->reel
            ? self::fewest($stocked, $lot + 1, [...$free, $stocked->reel - $length], $bought + 1)
            : PHP_INT_MAX;
        foreach (array_unique($free) as $i => $left) {
            if ($left >= $length) {
                $next = array_replace($free, [$i => $left - $length]);
                $best = min($best, self::fewest($stocked, $lot + 1, $next, $bought));
            }
        }

        return $best;
    }

    public function test_the_bound_is_never_above_and_a_search_for_fewer_is_right(): void
    {
        $random = self::random(61);
        $found = $refuted = 0;
        for ($n = 0; $n < 1000; $n++) {
            $lots = array_map(static fn (): int => $random->getInt(3, 40), range(1, $random->getInt(1, 6)));
            rsort($lots);
            $shelf = array_map(static fn (): int => $random->getInt(2, 55), range(1, $random->getInt(1, 3)));
            $stocked = new Stocked($lots, $n % 5 === 0 ? [] : $shelf, array_fill(0, 3, 1), [40], 5);
            $fewest = self::fewest($stocked, 0, $stocked->shelf, 0);
            self::assertLessThanOrEqual($fewest, FewestReels::of($stocked), (string) json_encode($stocked));
            $with = Fewer::than($stocked, $fewest);
            self::assertInstanceOf(Allotment::class, $with);
            self::assertSame([$fewest, 0], [$with->cost($stocked)->bought, $with->cost($stocked)->unmet]);
            $found++;
            if ($fewest > 0) {
                self::assertFalse(Fewer::than($stocked, $fewest - 1));
                $refuted++;
            }
        }
        self::assertGreaterThan(500, min($found, $refuted));
    }

    public function test_lengths_that_have_no_unit_in_common_are_told_by_themselves(): void
    {
        $random = self::random(9);
        for ($n = 0; $n < 200; $n++) {
            // A nanometre apart: on 305 m that is finer than anything that is searched.
            $reel = 305_000_000_000;
            $lots = [$first = $random->getInt(1, $reel - 1), $reel - $first, $reel];
            for ($more = $random->getInt(0, 9); $more > 0; $more--) {
                $lots[] = $random->getInt(1, $reel);
            }
            rsort($lots);
            $stocked = new Stocked($lots, [$lots[0]], [1], [$reel], intdiv($reel, 100));
            $best = BestAllotment::of($stocked);
            self::assertSame([], $best->allotment->unmet);
            $all = array_merge(...$best->allotment->shelf, ...$best->allotment->bought);
            sort($all);
            self::assertSame(array_keys($lots), $all);
            self::assertLessThanOrEqual($stocked->shelf[0], $stocked->sum($best->allotment->shelf[0]));
            foreach ($best->allotment->bought as $of) {
                self::assertLessThanOrEqual($reel, $stocked->sum($of));
            }
        }
        $two = new Stocked([152_510_000_001, 152_489_999_999], [], [], [305_000_000_000], 1);
        self::assertCount(1, BestAllotment::of($two)->allotment->bought);
        $drum = new Stocked([1_000_000_000_001], [1_000_000_000_001], [1], [305_000_000_000], 1);
        self::assertSame([[0]], BestAllotment::of($drum)->allotment->shelf);
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
