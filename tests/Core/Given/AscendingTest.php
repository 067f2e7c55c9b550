<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Measure\Ascending;

/** Numbers that come and go are as if they had been sorted together, by PHP's own sort. */
final class AscendingTest extends TestCase
{
    public function test_what_comes_and_goes_leaves_what_sorting_the_rest_would(): void
    {
        for ($seed = 1; $seed <= 1000; $seed++) {
            $dice = new Randomizer(new Mt19937($seed));
            $draw = static fn (): float => $dice->getInt(-8, 40) / 7;
            $all = array_map($draw, range(1, $dice->getInt(1, 20)));
            $kept = Ascending::of($all);
            for ($step = 0; $step < 20; $step++) {
                $number = $draw();
                if ($dice->getInt(0, 1) === 0) {
                    $all[] = $number;
                    $kept = $kept->with($number);
                } else {
                    $at = array_search($number, $all, true);
                    if ($at !== false) {
                        array_splice($all, (int) $at, 1);
                    }
                    $kept = $kept->without($number);
                }
                sort($all);
                self::assertSame(count($all), $kept->count(), 'seed '.$seed);
                self::assertSame(Ascending::of($all)->written(), $kept->written(), 'seed '.$seed);
                $half = intdiv(count($all), 2);
                $middle =
                    $all === []
                        ? null
                        : (count($all) % 2 === 1 ? $all[$half] : ($all[$half - 1] + $all[$half]) / 2);
                self::assertSame($middle, $kept->middle(), 'seed '.$seed);
            }
            self::assertEquals($kept, Ascending::read($kept->written()));
        }
    }

    public function test_none_has_no_middle_and_what_is_not_there_does_not_go(): void
    {
        self::assertNull(Ascending::of([])->middle());
        self::assertSame(0, Ascending::of([])->without(1.0)->count());
        self::assertSame(2.0, Ascending::of([3.0, 1.0])->without(2.0)->middle());
        self::assertSame(3.0, Ascending::of([3.0, 3.0, 1.0])->without(3.0)->without(1.0)->middle(), 'one at a time');
    }
}
