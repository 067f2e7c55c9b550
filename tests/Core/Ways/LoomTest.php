<?php

declare(strict_types=1);

namespace Tests\Core\Ways;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Preparing\ShrinkChoice;
use Sartal\Core\Ends\Preparing\SleeveChoice;
use Sartal\Core\Given\Catalogue\DiameterRange;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Breakout;
use Sartal\Core\Given\Installation\Covering;
use Sartal\Core\Given\Installation\Environment;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Ways\Dressing\LoomDress;
use Sartal\Core\Ways\Dressing\TieChoice;
use Sartal\Core\Ways\Looming\LoomShape;
use Sartal\Core\Ways\Looming\Packing\MemoryPackings;
use Sartal\Core\Ways\Looming\Packing\Packer;
use Sartal\Core\Ways\Looming\Segment;
use Tests\Support\Bench;
use Tests\Support\Site;

/** Looms as trees, breakouts that move, and what the bench dresses them with. */
final class LoomTest extends TestCase
{
    private static function bench(?Loom $loom = null, array $ways = []): Bench
    {
        return Site::of(
            $ways === [] ? Site::ways() : $ways,
            Site::run('A-1', loom: 'L'),
            Site::run('A-2', loom: 'L'),
            Site::run('A-3', 'right', loom: 'L'),
        )->with(looms: ['L' => $loom ?? Site::loom('L')]);
    }

    private static function shape(Bench $bench): LoomShape
    {
        return $bench->plan()->layout->looms['L'];
    }

    private static function dress(Bench $bench): LoomDress
    {
        return (new Dresser($bench->installation, new MemoryPackings()))->dress(self::shape($bench));
    }

    /** @return array<string, array{string, string, int}> segment → from, to along the loom, members */
    private static function segments(LoomShape $shape): array
    {
        $found = [];
        foreach ($shape->segments as $segment) {
            $found[$segment->id] = [
                $segment->start->canonical(),
                $segment->end()->canonical(),
                count($segment->members),
            ];
        }

        return $found;
    }

    public function test_the_tree_follows_from_the_ways_of_the_members(): void
    {
        $shape = self::shape(self::bench());
        self::assertSame('rack', $shape->root, 'where most ends are');
        self::assertSame(
            [
                'tray' => ['0 mm', '10000 mm', 3],
                'to-left' => ['10000 mm', '14000 mm', 2],
                'to-right' => ['10000 mm', '16000 mm', 1],
            ],
            self::sorted(self::segments($shape)),
        );
        self::assertCount(6, $shape->ends, 'both ends of each member leave it somewhere');
        self::assertSame([], $shape->findings);
    }

    /**
     * @param  array<string, array{string, string, int}>  $segments
     * @return array<string, array{string, string, int}>
     */
    private static function sorted(array $segments): array
    {
        uksort(
            $segments,
            static fn (string $a, string $b): int => array_search($a, ['tray', 'to-left', 'to-right'], true) <=>
                array_search($b, ['tray', 'to-left', 'to-right'], true),
        );

        return $segments;
    }

    private static function moved(float $metres): Bench
    {
        return self::bench(Site::loom('L', breakouts: [new Breakout('hall', 'to-right', Length::metres($metres))]));
    }

    public function test_a_breakout_moved_back_leaves_the_cut_and_lays_its_leg_beside_the_rest(): void
    {
        [$before, $after] = [self::bench()->plan(), self::moved(-2)->plan()];
        self::assertSame(
            $before->runs['A-3']->cut->exact->nanometres,
            $after->runs['A-3']->cut->exact->nanometres,
            'before its junction it takes the same way',
        );
        $shape = $after->layout->looms['L'];
        $beside = array_values(array_filter($shape->segments, static fn (Segment $segment): bool => $segment->beside));
        self::assertCount(1, $beside);
        self::assertSame('2000 mm', $beside[0]->length()->canonical());
        self::assertSame('8000 mm', $beside[0]->start->canonical());
    }

    public function test_a_breakout_moved_past_its_junction_goes_there_and_back(): void
    {
        [$before, $after] = [self::bench()->plan(), self::moved(1.5)->plan()];
        self::assertSame(
            '3000 mm',
            $after->runs['A-3']->cut->exact->minus($before->runs['A-3']->cut->exact)->canonical(),
        );
        self::assertSame(
            $before->runs['A-1']->cut->exact->nanometres,
            $after->runs['A-1']->cut->exact->nanometres,
            'nobody else gets longer',
        );
        self::assertContains(
            'breakout',
            array_map(static fn ($term): string => $term->label, $after->runs['A-3']->cut->terms),
            'and the sum says why',
        );
    }

    public function test_a_run_is_as_long_from_either_end_wherever_its_branch_leaves(): void
    {
        foreach ([-2.0, 0.0, 1.5] as $moved) {
            $loom = Site::loom('L', breakouts: [new Breakout('hall', 'to-right', Length::metres($moved))]);
            $either = array_map(
                static fn (RunRequest $third): int => Site::of(
                    Site::ways(),
                    Site::run('A-1', loom: 'L'),
                    Site::run('A-2', loom: 'L'),
                    $third,
                )
                    ->with(looms: ['L' => $loom])
                    ->plan()->runs['A-3']->cut->exact->nanometres,
                [Site::run('A-3', 'right', 'rack', loom: 'L'), Site::run('A-3', 'rack', 'right', loom: 'L')],
            );
            self::assertSame($either[0], $either[1], (string) $moved);
        }
    }

    public function test_a_member_on_an_island_of_its_own_is_left_out_and_said(): void
    {
        $ways = Site::ways();
        unset($ways['riser']);
        $apart = Site::of(
            $ways + ['shaft' => Site::way('shaft', WayKind::Riser, 5, 'cellar', 'right')],
            Site::run('A-1', loom: 'L'),
            Site::run('A-2', loom: 'L'),
            Site::run('A-9', 'cellar', 'right', loom: 'L'),
        )->with(looms: ['L' => Site::loom('L')]);
        $apart = $apart->with(ways: array_diff_key($apart->installation->ways(), ['to-right' => true]));
        self::assertContains('loom.member-apart', Bench::codes($apart->plan()->findings()));
        self::assertNotContains('loom.member-apart', Bench::codes(self::bench()->plan()->findings()));
    }

    public function test_what_most_go_on_in_is_drawn_in_one_line(): void
    {
        $dress = self::dress(self::bench());
        self::assertSame($dress->lanes['tray'], $dress->lanes['to-left'], 'two of three go on to the left');
        self::assertNotSame($dress->lanes['tray'], $dress->lanes['to-right']);
    }

    public function test_ways_keep_their_length_whatever_moves(): void
    {
        $random = new Randomizer(new Mt19937(5));
        for ($n = 0; $n < 40; $n++) {
            $by = ($random->getInt(-200, 80) * 50) / 1000;
            $bench = self::moved($by);
            self::assertSame('10000 mm', $bench->installation->ways()['tray']->length->canonical());
            $shape = self::shape($bench);
            $along = Length::zero();
            foreach ($shape->segments as $segment) {
                $along = $segment->way->id === 'tray' && ! $segment->beside ? $along->plus($segment->length()) : $along;
            }
            self::assertSame('10000 mm', $along->canonical(), 'the stretches of a way add up to it, moved by '.$by);
            // Each member lies in one piece from its first end to its last.
            foreach (['A-1', 'A-2', 'A-3'] as $run) {
                $in = array_filter(
                    $shape->segments,
                    static fn (Segment $segment): bool => in_array($run, $segment->members, true),
                );
                $sum = Length::zero()->plus(
                    ...array_map(static fn (Segment $segment): Length => $segment->length(), array_values($in)),
                );
                $route = $bench
                    ->plan()
                    ->layout->routes[$run]->length()
                    ->plus(Length::millimetres($run === 'A-3' && $by > 0 ? (int) round($by * 2000) : 0));
                self::assertSame($route->canonical(), $sum->canonical(), $run.' moved by '.$by);
            }
        }
    }

    public function test_a_breakout_beyond_its_way_is_kept_on_it_and_found(): void
    {
        $bench = self::moved(-14);
        self::assertContains('loom.breakout-beyond', Bench::codes($bench->plan()->findings()));
        $branch = array_values(
            array_filter(self::shape($bench)->branches, static fn ($each): bool => $each->into === 'to-right'),
        )[0];
        self::assertSame('-10000 mm', $branch->by->canonical());
        $gone = self::bench(Site::loom('L', breakouts: [new Breakout('cellar', 'riser', Length::metres(1))]));
        self::assertContains('loom.breakout-gone', Bench::codes($gone->plan()->findings()));
    }

    public function test_a_member_that_does_not_lie_with_the_others_is_found(): void
    {
        $bench = Site::of(
            Site::ways(),
            Site::run('A-1', loom: 'L'),
            Site::run('A-2', loom: 'L'),
            Site::run('A-9', 'cellar', 'cellar', loom: 'L'),
        )->with(looms: ['L' => Site::loom('L')]);
        self::assertContains('loom.member-without-way', Bench::codes($bench->plan()->findings()));
        self::assertContains(
            'loom.empty',
            Bench::codes(
                Site::of(Site::ways(), Site::run('A-1'))->with(looms: ['L' => Site::loom('L')])->plan()->findings(),
            ),
        );
    }

    public function test_each_segment_is_as_thick_as_its_own_cables_packed(): void
    {
        $dress = self::dress(self::bench());
        $by = [];
        foreach ($dress->segments as $segment) {
            $by[$segment->segment->id] = $segment;
        }
        self::assertEqualsWithDelta(Packer::pack([3.2, 3.2, 3.2])->diameter, $by['tray']->packing->diameter, 1e-9);
        self::assertEqualsWithDelta(6.4, $by['to-left']->packing->diameter, 1e-6, 'two side by side');
        self::assertEqualsWithDelta(3.2, $by['to-right']->packing->diameter, 1e-6);
        self::assertSame(32.0, $by['tray']->bend->value, 'the stiffest decides');
        self::assertEqualsWithDelta(3 * 0.016 * 10, $by['tray']->mass->value, 1e-9);
        self::assertNull($by['to-right']->tie, 'one cable needs no tie');
    }

    public function test_a_sleeve_is_within_its_range_and_cut_a_tenth_to_a_sixth_longer(): void
    {
        $dress = self::dress(self::bench(Site::loom('L', covering: Covering::Sleeve)));
        $tray = $dress->segments[0];
        self::assertSame('tray', $tray->segment->id);
        self::assertSame('sleeve-6', $tray->sleeve?->part->id, '6.9 mm thick, 3 to 9 mm');
        $more = ($tray->sleeve->cut->result->nanometres ?? 0) / $tray->segment->length()->nanometres;
        self::assertGreaterThanOrEqual(1.1, $more);
        self::assertLessThanOrEqual(1.15, $more);
        self::assertCount(2, $tray->shrinks, 'one over each end');
    }

    public function test_a_sleeve_of_no_existing_size_a_tie_too_short_and_a_bundle_too_thick_are_found(): void
    {
        $thick = self::bench(Site::loom('L', covering: Covering::Sleeve))->withCatalogueEdited([
            'cables.pair-foil.outerDiameter' => '30 mm',
        ]);
        $codes = Bench::codes(self::dress($thick)->findings);
        self::assertContains('loom.no-sleeve', $codes);
        self::assertContains('loom.no-tie', $codes);
        $narrow = self::bench(
            null,
            Site::ways(Site::way('tray', WayKind::Conduit, 10, 'rack', 'hall', Bore::round(Length::millimetres(6.5)))),
        );
        self::assertContains('loom.does-not-pass', Bench::codes(self::dress($narrow)->findings));
        foreach ([...self::dress($thick)->findings, ...self::dress($narrow)->findings] as $finding) {
            self::assertNotSame('', $finding->remedy);
        }
    }

    /** @return array<string, Part> shrink 10 : 5, and 12 : 4 with adhesive */
    private static function shrinks(): array
    {
        $part = static fn (string $id, float $recovered, float $supplied, bool $lined): Part => new Part(
            $id,
            $id,
            PartKind::Shrink,
            grips: new DiameterRange(Length::millimetres($recovered), Length::millimetres($supplied)),
            lined: $lined,
        );

        return ['10-5' => $part('10-5', 5, 10, false), '12-4' => $part('12-4', 4, 12, true)];
    }

    /**
     * Common practice: supplied above the largest it passes, recovered below the smallest it grips, by a fifth where it
     * seals.
     */
    public function test_shrink_is_chosen_right_at_its_edges(): void
    {
        $choose = static fn (float $passes, float $grips, bool $seals = false): ?string => ShrinkChoice::among(
            self::shrinks(),
            Length::millimetres($passes),
            Length::millimetres($grips),
            $seals,
        )?->id;
        self::assertSame('10-5', $choose(9.99, 5.01));
        self::assertSame('12-4', $choose(10, 5.01), 'supplied at 10 mm does not pass 10 mm');
        self::assertSame('12-4', $choose(9, 5), 'recovered to 5 mm does not grip 5 mm');
        self::assertNull($choose(12, 8));
        self::assertNull($choose(9, 4));
        self::assertSame('12-4', $choose(11.9, 5, true), '4 mm is a fifth below 5 mm');
        self::assertNull($choose(11.9, 4.99, true));
        self::assertNull(
            ShrinkChoice::among(
                ['10-5' => self::shrinks()['10-5']],
                Length::millimetres(9),
                Length::millimetres(8),
                true,
            ),
            'what has no adhesive does not seal',
        );
    }

    public function test_a_damp_way_asks_for_shrink_that_seals(): void
    {
        $damp = self::bench(
            Site::loom('L', covering: Covering::Sleeve),
            Site::ways(Site::way('tray', WayKind::Tray, 10, 'rack', 'hall', environment: [Environment::Damp])),
        );
        self::assertTrue(self::dress($damp)->segments[0]->shrinks[0]->part->lined);
        self::assertFalse(
            self::dress(self::bench(Site::loom('L', covering: Covering::Sleeve)))->segments[0]->shrinks[0]->part->lined,
        );
    }

    public function test_the_smallest_sleeve_that_goes_round_is_taken(): void
    {
        $parts = Bench::microphone()->installation->catalogue->parts();
        $choose = static fn (float $diameter): ?string => SleeveChoice::among($parts, Length::millimetres($diameter))
            ?->id;
        self::assertSame(
            ['sleeve-6', 'sleeve-6', 'sleeve-12', 'sleeve-12', 'sleeve-20', 'sleeve-32', null],
            array_map($choose, [3, 9, 9.01, 18, 18.01, 45, 45.01]),
        );
        self::assertNull($choose(2.99));
    }

    public function test_ties_are_never_further_apart_than_asked_and_stand_beside_both_ends(): void
    {
        $random = new Randomizer(new Mt19937(8));
        for ($n = 0; $n < 200; $n++) {
            [$stretch, $every] = [
                Length::millimetres($random->getInt(1, 20_000)),
                Length::millimetres($random->getInt(50, 900)),
            ];
            $points = TieChoice::points($stretch, $every);
            self::assertNotSame([], $points);
            for ($i = 1; $i < count($points); $i++) {
                self::assertLessThanOrEqual($every->nanometres + 1, $points[$i]->minus($points[$i - 1])->nanometres);
            }
            self::assertLessThanOrEqual(max(50_000_000, intdiv($stretch->nanometres, 2) + 1), $points[0]->nanometres);
            self::assertLessThanOrEqual($stretch->nanometres, $points[count($points) - 1]->nanometres);
        }
    }

    public function test_lines_of_the_drawing_never_lie_on_each_other(): void
    {
        foreach ([self::bench(), self::moved(-3), self::moved(2)] as $bench) {
            $dress = self::dress($bench);
            foreach ($dress->segments as $i => $one) {
                foreach (array_slice($dress->segments, $i + 1) as $other) {
                    if ($dress->lanes[$one->segment->id] === $dress->lanes[$other->segment->id]) {
                        self::assertTrue(
                            $one->segment->end()->compare($other->segment->start) <= 0 ||
                                $other->segment->end()->compare($one->segment->start) <= 0,
                        );
                    }
                }
            }
        }
    }

    /** A tie 50 mm from each end, and as many between as no space is wider than it may be: common practice. */
    public function test_ties_begin_beside_the_ends_and_are_spaced_evenly(): void
    {
        $at = static fn (float $stretch, float $every): array => array_map(
            static fn (Length $each): string => $each->canonical(),
            TieChoice::points(Length::metres($stretch), Length::metres($every)),
        );
        self::assertSame(['50 mm', '550 mm', '1050 mm'], $at(1.1, 0.5));
        self::assertSame(
            ['50 mm', '383 mm', '717 mm', '1050 mm'],
            array_map(static fn (string $each): string => round((float) $each).' mm', $at(1.1, 0.45)),
        );
        self::assertSame(['50 mm', '150 mm'], $at(0.2, 0.5));
        self::assertSame(['45 mm'], $at(0.09, 0.5), 'too short for two');
    }

    public function test_a_segment_that_is_tied_says_where(): void
    {
        $tied = 0;
        foreach (self::dress(self::bench())->segments as $segment) {
            self::assertSame($segment->tie === null, $segment->points === []);
            $tied += $segment->tie === null ? 0 : 1;
        }
        self::assertGreaterThan(1, $tied);
    }

    public function test_where_no_sleeve_fits_it_says_from_where_to_where_they_go(): void
    {
        $thick = self::bench(Site::loom('L', covering: Covering::Sleeve))->withCatalogueEdited([
            'cables.pair-foil.outerDiameter' => '60 mm',
        ]);
        $grips = array_filter(
            array_map(
                static fn (Part $part): ?DiameterRange => $part->kind === PartKind::Sleeve ? $part->grips : null,
                $thick->installation->catalogue->parts(),
            ),
        );
        $least = min(array_map(static fn (DiameterRange $each): float => $each->least->inMillimetres(), $grips));
        $most = max(array_map(static fn (DiameterRange $each): float => $each->most->inMillimetres(), $grips));
        $words = implode(
            ' ',
            array_map(static fn ($finding): string => $finding->words, self::dress($thick)->findings),
        );
        self::assertStringContainsString(
            sprintf('they go from %s to %s', Figure::amount($least, 'mm'), Figure::amount($most, 'mm')),
            $words,
        );
    }
}
