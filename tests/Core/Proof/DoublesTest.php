<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Bench;
use Tests\Support\Mishaps;

/** One thing that went wrong in a cable, or two, drawn by chance. */
final class DoublesTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, string}> */
    public static function families(): iterable
    {
        yield 'pair' => ['pair-foil', 'analogue', 'xlr3-female-cable-balanced', 'xlr3-male-cable-balanced'];
        yield 'star-quad' => ['star-quad', 'analogue', 'xlr3-female-cable-balanced', 'xlr3-male-cable-balanced'];
        yield 'four pairs' => ['cat6-utp', 'network', '8p8c-plug-t568b', '8p8c-plug-t568b'];
        yield 'control' => ['data-2pair', 'dmx', 'xlr5-female-dmx', 'xlr5-male-dmx'];
        yield '25 contacts' => ['multicore-8', 'analogue', 'dsub25-female-aes59', 'dsub25-male-aes59'];
        yield 'tails' => ['multicore-8', 'analogue', 'xlr3-female-cable-balanced', 'dsub25-male-aes59'];
    }

    /** Twelve hundred of them, each of a joint at random: none of the faults that the diagnosis thinks of. */
    #[DataProvider('families')]
    public function test_a_single_mishap_is_always_told(string $cable, string $signal, string $a, string $b): void
    {
        $mishaps = new Mishaps(Bench::of(Bench::request('M-1', $cable, [$signal], [$a], [$b])), 73);
        for ($n = 0; $n < 200; $n++) {
            self::assertTrue($mishaps->isTold($mishaps->single()), 'mishap '.$n);
        }
    }

    #[DataProvider('families')]
    public function test_the_very_two_are_among_the_first_three_entries_nine_times_in_ten(
        string $cable,
        string $signal,
        string $a,
        string $b,
    ): void {
        $mishaps = new Mishaps(Bench::of(Bench::request('M-1', $cable, [$signal], [$a], [$b])), 71);
        $doubles = $early = 0;
        $times = (int) (getenv('SARTAL_DOUBLES') ?: 60);
        for ($n = 0; $n < $times; $n++) {
            $place = $mishaps->place($mishaps->double());
            // What a single fault reads like is listed as that.
            if ($place !== -1) {
                $doubles++;
                $early += $place !== null && $place < 3 ? 1 : 0;
            }
        }
        if (getenv('SARTAL_DOUBLES') !== false) {
            fwrite(STDERR, sprintf("%s, %s: %d of %d\n", $cable, $a, $early, $doubles));
        }
        self::assertGreaterThan($times / 4, $doubles);
        self::assertGreaterThanOrEqual(0.9, $early / $doubles, sprintf('%d of %d', $early, $doubles));
    }
}
