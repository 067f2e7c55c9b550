<?php

declare(strict_types=1);

namespace Tests\Core\Ways;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Ways\Routing\MeasuringWalk;
use Sartal\Core\Ways\Routing\Network;
use Sartal\Core\Ways\Routing\WalkStop;

/** The order in which ways are walked along to be measured. */
final class MeasuringWalkTest extends TestCase
{
    private static function way(string $id, string $from, string $to, int $metres): Way
    {
        return new Way($id, $id, WayKind::Tray, Length::metres($metres), $from, $to);
    }

    /**
     * @param  list<Way>  $all
     * @param  ?list<Way>  $left
     * @return list<string> "way from>to after m"
     */
    private static function walk(array $all, string $from, ?array $left = null): array
    {
        return array_map(
            static fn (WalkStop $stop): string => sprintf(
                '%s %s>%s%s',
                $stop->way->id,
                $stop->from,
                $stop->to,
                $stop->before === null ? ' apart' : ' +'.intdiv($stop->before->nanometres, 1_000_000_000),
            ),
            (new MeasuringWalk(new Network(array_column($all, null, 'id'))))->along($left ?? $all, $from),
        );
    }

    public function test_one_walks_on_to_what_is_nearest_and_along_it(): void
    {
        // rack — a — b — c, and a drop at b: 1 m to the lectern.
        $all = [
            self::way('far', 'b', 'c', 9),
            self::way('drop', 'b', 'lectern', 1),
            self::way('near', 'rack', 'a', 4),
            self::way('tray', 'a', 'b', 5),
        ];
        self::assertSame(
            ['near rack>a +0', 'tray a>b +0', 'far b>c +0', 'drop b>lectern +9'],
            self::walk($all, 'rack'),
            'of what is as near, what was said first; back along what was walked',
        );
        // What is measured already is walked, and no stop.
        self::assertSame(['drop b>lectern +9'], self::walk($all, 'rack', [$all[1]]));
        self::assertSame(['drop lectern>b +0'], self::walk($all, 'lectern', [$all[1]]), 'from either end');
    }

    public function test_what_is_apart_is_begun_anew_and_what_leads_nowhere_comes_last(): void
    {
        $all = [
            self::way('here', 'a', 'b', 4),
            self::way('there', 'x', 'y', 4),
            new Way('loose', 'loose', WayKind::Void, Length::metres(2)),
        ];
        self::assertSame(['here a>b +0', 'there x>y apart', 'loose > apart'], self::walk($all, 'a'));
        self::assertSame(['here a>b apart', 'there x>y apart', 'loose > apart'], self::walk($all, ''));
    }

    /** Against drawn buildings: each way once, and each stop the nearest of those left by another search (Bellman). */
    public function test_every_way_is_a_stop_once_and_each_is_the_nearest(): void
    {
        $dice = new Randomizer(new Mt19937(20_261_202));
        for ($round = 0; $round < 40; $round++) {
            $all = [];
            $places = range('a', 'j');
            for ($i = 0; $i < 14; $i++) {
                $from = $places[$dice->getInt(0, 9)];
                $to = $places[$dice->getInt(0, 9)];
                $all[] = self::way('w'.$i, $from, $to, $dice->getInt(1, 20));
            }
            $network = new Network(array_column($all, null, 'id'));
            $stops = (new MeasuringWalk($network))->along($all, 'a');
            $ids = array_map(static fn (WalkStop $stop): string => $stop->way->id, $stops);
            self::assertEqualsCanonicalizing(array_column($all, 'id'), $ids);
            $at = 'a';
            foreach ($stops as $i => $stop) {
                $far = self::distances($all, $at);
                $ends = array_map(
                    static fn (WalkStop $left): float => min(
                        $far[$left->way->from] ?? INF,
                        $far[$left->way->to] ?? INF,
                    ),
                    array_slice($stops, $i),
                );
                $least = min($ends);
                self::assertSame(
                    $least === INF ? null : (int) $least,
                    $stop->before === null ? null : intdiv($stop->before->nanometres, 1_000_000_000),
                );
                $at = $stop->to;
            }
        }
    }

    /**
     * R. Bellman, "On a routing problem", Quarterly of Applied Mathematics 16, 1958.
     *
     * @param  list<Way>  $ways
     * @return array<string, float> m
     */
    private static function distances(array $ways, string $from): array
    {
        $far = [$from => 0.0];
        foreach ($ways as $_) {
            foreach ($ways as $way) {
                $long = $way->length->nanometres / 1e9;
                $far[$way->to] = min($far[$way->to] ?? INF, ($far[$way->from] ?? INF) + $long);
                $far[$way->from] = min($far[$way->from] ?? INF, ($far[$way->to] ?? INF) + $long);
            }
        }

        return array_filter($far, is_finite(...));
    }
}
