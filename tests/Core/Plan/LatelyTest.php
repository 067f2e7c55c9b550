<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Plan\Runs\Lately;

/** What was made lately is in hand, and nothing else. */
final class LatelyTest extends TestCase
{
    public function test_random_use_is_answered_as_if_everything_were_kept_and_at_most_two_generations_are(): void
    {
        for ($seed = 1; $seed <= 50; $seed++) {
            $dice = new Randomizer(new Mt19937($seed));
            $most = $dice->getInt(1, 12);
            $lately = new Lately($most);
            $objects = $used = [];
            for ($i = 0; $i < 40; $i++) {
                $objects[] = (object) ['number' => $dice->getInt(0, 1_000)];
            }
            $made = 0;
            for ($i = 0; $i < 400; $i++) {
                $which = $dice->getInt(0, 39);
                $before = $made;
                $found = $lately->of($objects[$which], static function () use ($objects, $which, &$made): array {
                    $made++;

                    return [$objects[$which]->number];
                });
                self::assertSame([$objects[$which]->number], $found);
                // Asked for among the last so many others: it was in hand.
                if (in_array($which, array_slice($used, -$most), true)) {
                    self::assertSame($before, $made, sprintf('seed %d, turn %d', $seed, $i));
                }
                // Two generations at most: what was not among the last twice as many had to be made.
                if (! in_array($which, self::last($used, 2 * $most), true)) {
                    self::assertSame($before + 1, $made, sprintf('seed %d, turn %d', $seed, $i));
                }
                $used[] = $which;
            }
        }
    }

    public function test_what_nobody_holds_any_more_is_not_held_for_it(): void
    {
        $lately = new Lately(10);
        $told = new class
        {
            public static int $gone = 0;

            public function __destruct()
            {
                self::$gone++;
            }
        };
        $gone = $told::$gone;
        $object = (object) [];
        $lately->of($object, static fn (): array => [clone $told]);
        self::assertSame($gone, $told::$gone);
        unset($object);
        self::assertSame($gone + 1, $told::$gone);
    }

    /**
     * @param  list<int>  $used
     * @return list<int> so many different ones that were used last
     */
    private static function last(array $used, int $count): array
    {
        return array_slice(array_values(array_unique(array_reverse($used))), 0, $count);
    }
}
