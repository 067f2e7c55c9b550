<?php

declare(strict_types=1);

namespace Tests\Core\Ways;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Ways\Routing\ToMeasure;

/** What waits for ways to be measured. */
final class ToMeasureTest extends TestCase
{
    private static function way(string $id, bool $measured): Way
    {
        return new Way($id, $id, WayKind::Tray, Length::metres(4), $id.'-a', $id.'-b', measured: $measured);
    }

    public function test_what_is_still_to_be_cut_waits_and_what_is_cut_is_counted(): void
    {
        $ways = array_column([self::way('tray', false), self::way('duct', true), self::way('drop', false)], null, 'id');
        $left = ToMeasure::among($ways, [
            ['code' => 'A-1', 'ways' => ['tray', 'duct'], 'isCut' => false],
            ['code' => 'A-2', 'ways' => ['tray', 'drop', 'tray'], 'isCut' => false],
            ['code' => 'A-3', 'ways' => ['duct'], 'isCut' => false],
            ['code' => 'A-4', 'ways' => ['drop', 'tray'], 'isCut' => true],
            ['code' => 'A-5', 'ways' => ['duct', 'gone'], 'isCut' => true],
            ['code' => 'A-6', 'ways' => [], 'isCut' => false],
        ]);
        self::assertSame(['tray' => ['A-1', 'A-2'], 'drop' => ['A-2']], $left->waiting);
        self::assertSame(['tray', 'drop'], array_map(static fn (Way $way): string => $way->id, $left->ways));
        self::assertSame([2, 1, 'tray-a'], [$left->cables, $left->cut, $left->busiest()]);
        $none = ToMeasure::among($ways, []);
        self::assertSame([[], 0, 0, ''], [$none->ways, $none->cables, $none->cut, $none->busiest()]);
    }
}
