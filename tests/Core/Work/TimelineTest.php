<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Work\Forecasting\Timeline;

/** Held to the minutes themselves, ticked off one by one. */
final class TimelineTest extends TestCase
{
    private const DAY = 400;

    public function test_the_first_free_moment_is_the_one_that_looking_at_every_minute_finds(): void
    {
        for ($seed = 1; $seed <= 300; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            $line = new Timeline();
            $taken = array_fill(0, 3 * self::DAY, false);
            for ($i = 0; $i < 40; $i++) {
                $from = $random->getInt(0, self::DAY);
                $minutes = $random->getInt(1, 25);
                $free = $from;
                for ($run = 0; $run < $minutes;) {
                    $run = $taken[$free + $run] ? 0 * ($free += $run + 1) : $run + 1;
                }
                self::assertSame((float) $free, $line->earliest((float) $from, (float) $minutes), 'seed '.$seed);
                $line->take((float) $free, (float) ($free + $minutes));
                for ($at = $free; $at < $free + $minutes; $at++) {
                    $taken[$at] = true;
                }
            }
        }
    }
}
