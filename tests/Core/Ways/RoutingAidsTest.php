<?php

declare(strict_types=1);

namespace Tests\Core\Ways;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Reach\Reaches;
use Sartal\Core\Ends\Reach\ReachVerdict;
use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Junction;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Planning\Rerouted;
use Sartal\Core\Ways\Looming\Segment;
use Sartal\Core\Ways\Routing\ByWayOf;
use Sartal\Core\Ways\Routing\FillRule;
use Sartal\Core\Ways\Routing\Router;
use Sartal\Core\Ways\Routing\Sizes;
use Tests\Support\Bench;
use Tests\Support\Site;

/** What is built on routes: ways that were said, remedies, changes, and looms in any building. */
final class RoutingAidsTest extends TestCase
{
    /** A random building: every place can be come to, and there are ways round. */
    private static function building(int $seed, int $places): Installation
    {
        $random = new Randomizer(new Mt19937($seed));
        $ways = $locations = $junctions = [];
        for ($i = 0; $i < $places; $i++) {
            $locations['l'.$i] = new Location('l'.$i, 'L'.$i);
            $junctions['j'.$i] = new Junction('j'.$i, 'J'.$i);
            $ways['d'.$i] = new Way(
                'd'.$i,
                'D'.$i,
                WayKind::FreeAir,
                Length::metres($random->getInt(1, 5)),
                'j'.$i,
                'l'.$i,
            );
            if ($i > 0) {
                $ways['t'.$i] = new Way(
                    't'.$i,
                    'T'.$i,
                    WayKind::Tray,
                    Length::metres($random->getInt(2, 30)),
                    'j'.$random->getInt(0, $i - 1),
                    'j'.$i,
                );
            }
        }
        for ($i = 0; $i < intdiv($places, 3); $i++) {
            [$from, $to] = [$random->getInt(0, $places - 1), $random->getInt(0, $places - 1)];
            if ($from !== $to) {
                $ways['x'.$i] = new Way(
                    'x'.$i,
                    'X'.$i,
                    WayKind::Tray,
                    Length::metres($random->getInt(2, 30)),
                    'j'.$from,
                    'j'.$to,
                );
            }
        }

        return Bench::microphone()->with(locations: $locations, junctions: $junctions, ways: $ways)->installation;
    }

    public function test_a_way_by_others_takes_them_in_order_and_is_no_longer_than_it_must_be(): void
    {
        $random = new Randomizer(new Mt19937(6));
        for ($n = 0; $n < 40; $n++) {
            $in = self::building($n, 9);
            $router = new Router($in);
            [$from, $to] = ['l'.$random->getInt(0, 8), 'l'.$random->getInt(0, 8)];
            $by = array_map(
                static fn (): Way => $in->ways()['t'.$random->getInt(1, 8)],
                range(1, $random->getInt(1, 2)),
            );
            $ways = (new ByWayOf($router, null))->ways($from, $to, array_values($by));
            self::assertNotNull($ways);
            $at = $from;
            foreach ($ways as $id) {
                $at = $in->ways()[$id]->across($at);
                self::assertNotNull($at, 'the ways join');
            }
            self::assertSame($to, $at);
            self::assertSame(
                self::shortestThrough($router, $from, $to, array_values($by)),
                array_sum(array_map(static fn (string $id): int => $in->ways()[$id]->length->nanometres, $ways)),
            );
        }
    }

    /**
     * Every choice of direction, one by one.
     *
     * @param  list<Way>  $by
     */
    private static function shortestThrough(Router $router, string $from, string $to, array $by): int
    {
        $distance = static fn (string $a, string $b): int => array_sum(
            array_map(static fn ($hop): int => $hop->way->length->nanometres, $router->shortest($a, $b, null) ?? []),
        );
        $best = PHP_INT_MAX;
        for ($turns = 0; $turns < 1 << count($by); $turns++) {
            $at = $from;
            $sum = 0;
            foreach ($by as $i => $way) {
                [$in, $out] = (($turns >> $i) & 1) === 1 ? [$way->to, $way->from] : [$way->from, $way->to];
                $sum += $distance($at, $in) + $way->length->nanometres;
                $at = $out;
            }
            $best = min($best, $sum + $distance($at, $to));
        }

        return $best;
    }

    public function test_a_way_that_cannot_be_come_to_is_no_way(): void
    {
        $in = Site::of(Site::ways(Site::way('island', WayKind::Tray, 3, 'x', 'y')), Site::run('A-1'))->installation;
        self::assertNull((new ByWayOf(new Router($in), null))->ways('left', 'rack', [$in->ways()['island']]));
    }

    public function test_the_runs_that_a_remedy_names_bring_the_way_under_its_limit_without_filling_another(): void
    {
        $conduit = Site::way('duct', WayKind::Conduit, 5, 'left', 'rack', Bore::round(Length::millimetres(14)));
        $tray = Site::way(
            'tray',
            WayKind::Tray,
            10,
            'rack',
            'hall',
            Bore::rectangular(Length::millimetres(100), Length::millimetres(25)),
        );
        $bench = Site::of(
            Site::ways($conduit, $tray),
            ...array_map(
                static fn (int $n): \Sartal\Core\Plan\Proposing\RunRequest => Site::run('A-'.$n),
                range(1, 12),
            ),
        );
        $finding = array_values(
            array_filter($bench->plan()->findings(), static fn ($each): bool => $each->code === 'way.overfull'),
        )[0];
        preg_match_all('~A-\d+~', $finding->remedy, $named);
        self::assertNotSame([], $named[0]);
        foreach ($named[0] as $id) {
            $run = $bench->installation->runs()[$id];
            $bench = $bench->withRun(
                new Run(
                    $run->id,
                    $run->code,
                    $run->cable,
                    $run->build,
                    $run->a,
                    $run->b,
                    ['to-left', 'tray'],
                    $run->carries,
                ),
            );
        }
        self::assertSame(
            [],
            array_values(
                array_filter(
                    Bench::codes($bench->plan()->findings()),
                    static fn (string $code): bool => in_array($code, ['way.overfull', 'way.full'], true),
                ),
            ),
        );
        self::assertFalse($bench->plan()->ways->of('duct')->isOver());
    }

    public function test_the_next_size_up_would_do_and_the_one_below_would_not(): void
    {
        foreach ([WayKind::Conduit, WayKind::Trunking, WayKind::Tray] as $kind) {
            $way = Site::way('w', $kind, 1, 'rack', 'left', Bore::round(Length::millimetres(10)));
            $last = 0.0;
            for ($area = 50.0; $area < 20_000; $area *= 1.3) {
                $size = Sizes::holding($way, $area);
                if ($size === null) {
                    break;
                }
                self::assertGreaterThanOrEqual($area, $size->area());
                self::assertGreaterThanOrEqual($last, $size->area(), 'more to hold never takes a smaller size');
                $last = $size->area();
            }
            self::assertGreaterThan(0.0, $last);
            self::assertNotNull(FillRule::for($way, 3));
        }
    }

    public function test_nothing_changed_is_nothing_said_and_a_change_is_said_both_ways(): void
    {
        $bench = Site::of(Site::ways(), Site::run('A-1'), Site::run('A-2', 'right'));
        $same = Rerouted::between($bench->plan(), $bench->plan(), $bench->installation);
        self::assertSame(
            [[], [], [], [], []],
            [$same->routes, $same->cuts, $same->overtaken, $same->comes, $same->goes],
        );
        $with = $bench->with(ways: Site::ways(Site::way('duct', WayKind::Trunking, 8, 'left', 'rack')));
        $there = Rerouted::between($bench->plan(), $with->plan(), $with->installation);
        $back = Rerouted::between($with->plan(), $bench->plan(), $bench->installation);
        self::assertSame(['A-1'], array_column($there->routes, 'code'));
        self::assertSame(['Duct'], $there->routes[0]['is']);
        self::assertSame($there->routes[0]['was'], $back->routes[0]['is']);
        self::assertSame($there->cuts[0]['is']->nanometres, $back->cuts[0]['was']->nanometres);
        $ways = Site::ways();
        unset($ways['to-right']);
        $broken = Rerouted::between($bench->plan(), $bench->with(ways: $ways)->plan(), $bench->installation);
        self::assertContains('route.broken', Bench::codes($broken->comes));
        self::assertContains(
            'route.broken',
            Bench::codes(
                Rerouted::between($bench->with(ways: $ways)->plan(), $bench->plan(), $bench->installation)->goes,
            ),
        );
    }

    public function test_a_loom_in_any_building_holds_each_member_in_one_piece_from_end_to_end(): void
    {
        $random = new Randomizer(new Mt19937(15));
        for ($n = 0; $n < 25; $n++) {
            $in = self::building(100 + $n, 10);
            $runs = [];
            foreach (range(1, 7) as $i) {
                $like = $in->runs()['A-1'];
                [$from, $to] = ['l0', 'l'.$random->getInt(1, 9)];
                $end = static fn (
                    \Sartal\Core\Given\Installation\End $of,
                    string $at,
                ): \Sartal\Core\Given\Installation\End => new \Sartal\Core\Given\Installation\End(
                    $at,
                    $of->tail,
                    $of->slack,
                    $of->preparation,
                    0,
                    [],
                );
                $runs['R-'.$i] = new Run(
                    'R-'.$i,
                    'R-'.$i,
                    $like->cable,
                    $like->build,
                    $end($like->a, $from),
                    $end($like->b, $to),
                    [],
                    [],
                    'L',
                );
            }
            $with = $in->changed([
                'runs' => $runs,
                'fittings' => [],
                'circuits' => [],
                'looms' => ['L' => Loom::named('L', 'L')],
            ]);
            $plan = (new Planner())->plan($with);
            $shape = $plan->layout->looms['L'];
            self::assertSame('l0', $shape->root);
            foreach ($runs as $id => $run) {
                $segments = array_values(
                    array_filter(
                        $shape->segments,
                        static fn (Segment $segment): bool => in_array($id, $segment->members, true),
                    ),
                );
                self::assertSame(
                    $plan->layout->routes[$id]->length()->nanometres,
                    array_sum(
                        array_map(static fn (Segment $segment): int => $segment->length()->nanometres, $segments),
                    ),
                    $id,
                );
                // From the root outward each segment begins where the one before it ended.
                $at = Length::zero();
                foreach ($segments as $segment) {
                    self::assertSame($at->nanometres, $segment->start->nanometres);
                    $at = $segment->end();
                }
            }
            self::assertCount(14, $shape->ends);
            // No segment is without members, and each is named once.
            $ids = array_map(static fn (Segment $segment): string => $segment->id, $shape->segments);
            self::assertSame($ids, array_values(array_unique($ids)));
        }
    }

    public function test_the_longer_the_line_the_less_is_left_for_every_kind_of_limit(): void
    {
        $benches = [
            Bench::microphone(),
            Bench::category(),
            Bench::coax(),
            Bench::of(Bench::request('D-1', 'data-2pair', ['dmx'], ['xlr5-male-dmx'], ['xlr5-female-dmx'])),
            Bench::of(
                Bench::request('L-1', 'loudspeaker-2', ['loudspeaker'], ['speaker4-cable-1'], ['speaker4-cable-1']),
            ),
            Bench::of(Bench::request('D-1', 'control-8', ['eia232'], ['dsub9-male-eia232'], ['dsub9-female-eia232'])),
        ];
        $order = [ReachVerdict::Reaches->value => 0, ReachVerdict::Tight->value => 1, ReachVerdict::Beyond->value => 2];
        foreach ($benches as $bench) {
            $reaches = new Reaches($bench->installation);
            [$used, $worst] = [-1.0, 0];
            foreach ([0.5, 3, 12, 40, 88, 130, 260, 900, 5000] as $metres) {
                foreach (
                    $reaches->lines(
                        array_map(static fn (): Length => Length::metres($metres), $bench->installation->runs()),
                    ) as $line
                ) {
                    $reach = $reaches->judge($line);
                    self::assertGreaterThan($used, $reach->used?->value);
                    self::assertGreaterThanOrEqual($worst, $order[$reach->verdict->value]);
                    self::assertSame(
                        ($reach->margin ?? 0.0) < 0,
                        $reach->verdict === ReachVerdict::Beyond,
                        $line->signal->name,
                    );
                    self::assertNotSame([], $reach->used->terms ?? []);
                    [$used, $worst] = [$reach->used->value ?? 0.0, $order[$reach->verdict->value]];
                    $next = $reaches->next($line);
                    self::assertTrue($next === null || $next[1]->verdict === ReachVerdict::Reaches);
                }
            }
            self::assertSame(2, $worst, 'everything is too far some day');
        }
    }
}
