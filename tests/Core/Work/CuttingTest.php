<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\JacketMarks;
use Sartal\Core\Given\Installation\MarkUnit;
use Sartal\Core\Given\Installation\Reel;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Proof\Record\CutNoted;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Cutting\CablePlan;
use Sartal\Core\Work\Cutting\Cut;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\CutNeeded;
use Sartal\Core\Work\Cutting\CutPlan;
use Sartal\Core\Work\Cutting\CutPlanner;
use Sartal\Core\Work\Cutting\Cuts;
use Sartal\Core\Work\Cutting\LengthToCut;
use Sartal\Core\Work\Cutting\Replanned;
use Sartal\Core\Work\Cutting\Stock;
use Sartal\Core\Work\Cutting\StockKind;
use Sartal\Core\Work\Cutting\StockTake;
use Tests\Support\Bench;
use Tests\Support\Site;

/** Cuts off reels: whole, in order, with their marks; and what a record of them changes. */
final class CuttingTest extends TestCase
{
    private static ?Bench $bench = null;

    private static function bench(): Bench
    {
        return self::$bench ??= Bench::microphone()->withCatalogueEdited([
            'cables.pair-foil.reels' => ['100 m', '300 m'],
        ]);
    }

    /**
     * @param  list<float>  $metres
     * @param  list<Stock>  $stock
     * @param  array<string, string>  $before
     */
    private static function plan(
        array $metres,
        array $stock = [],
        string $group = '',
        ?Bench $bench = null,
        array $before = [],
    ): CablePlan {
        $bench ??= self::bench();
        $needs = [];
        foreach ($metres as $i => $length) {
            $needs[] = new CutNeeded('R-'.$i, 'pair-foil', Length::metres($length), $group);
        }

        return (new CutPlanner(CutFacts::of($bench->installation, $bench->plan())))
            ->plan($needs, $stock, $before)
            ->cables['pair-foil'];
    }

    private static function stock(
        string $id,
        float $metres,
        StockKind $kind = StockKind::Reel,
        ?JacketMarks $marks = null,
    ): Stock {
        return new Stock($id, $id, 'pair-foil', Length::metres($metres), $kind, $marks, Length::zero());
    }

    public function test_every_cut_is_whole_on_one_reel_and_no_reel_gives_more_than_it_has(): void
    {
        $random = new Randomizer(new Mt19937(17));
        for ($n = 0; $n < 60; $n++) {
            $metres = array_map(static fn (): float => $random->getInt(10, 900) / 10, range(1, $random->getInt(1, 60)));
            $stock = array_map(
                static fn (int $i): Stock => self::stock(
                    'S-'.$i,
                    $random->getInt(20, 1500) / 10,
                    $random->getInt(0, 1) === 1 ? StockKind::Reel : StockKind::Offcut,
                ),
                range(1, $random->getInt(1, 8)),
            );
            $plan = self::plan($metres, $stock);
            $seen = [];
            foreach ($plan->assigned as $assigned) {
                self::assertFalse($assigned->rest()->isNegative());
                $at = 0;
                foreach ($assigned->cuts as $cut) {
                    self::assertSame($at, $cut->at->nanometres, 'cuts follow each other without a gap');
                    $at += $cut->length->nanometres;
                    $seen[$cut->run] = ($seen[$cut->run] ?? 0) + 1;
                }
            }
            self::assertCount(count($metres), $seen, 'every cut is somewhere');
            self::assertSame([1], array_values(array_unique($seen)), 'and in one piece');
            self::assertGreaterThanOrEqual($plan->atLeast, $plan->bought);
            self::assertSame(
                $plan->needed()->plus($plan->scrap, $plan->kept)->nanometres,
                array_sum(array_map(static fn ($each): int => $each->stock->left->nanometres, $plan->assigned)),
                'what goes in comes out',
            );
        }
    }

    public function test_offcuts_are_used_before_reels_and_reels_before_new_ones(): void
    {
        $plan = self::plan([20], [self::stock('R', 100), self::stock('O', 25, StockKind::Offcut)]);
        self::assertSame(['O'], array_map(static fn ($each): string => $each->stock->id, $plan->assigned));
        self::assertSame(['R'], array_map(static fn (Stock $each): string => $each->id, $plan->untouched));
        self::assertSame(0, $plan->bought);
        self::assertSame(
            ['R'],
            array_map(
                static fn ($each): string => $each->stock->id,
                self::plan([20], [self::stock('R', 100)])->assigned,
            ),
        );
    }

    public function test_a_usable_offcut_is_left_rather_than_a_scrap(): void
    {
        // 30 m: 28 m would leave a 2 m scrap; 20 m leaves 10 m that is kept.
        $plan = self::plan([28, 20], [self::stock('O', 30, StockKind::Offcut), self::stock('R', 100)]);
        self::assertSame('0 mm', $plan->scrap->canonical());
        self::assertSame('20000 mm', $plan->assigned[0]->cuts[0]->length->canonical());
    }

    public function test_the_shortest_reel_on_sale_that_holds_them_is_bought(): void
    {
        self::assertSame('100000 mm', self::plan([60, 30])->assigned[0]->stock->left->canonical());
        self::assertSame('300000 mm', self::plan([60, 60])->assigned[0]->stock->left->canonical());
    }

    public function test_a_group_comes_off_one_reel_where_one_is_long_enough(): void
    {
        $stock = [self::stock('O', 45, StockKind::Offcut), self::stock('R', 200)];
        $reels = static fn (CablePlan $plan): int => count(
            array_filter($plan->assigned, static fn ($each): bool => $each->cuts !== []),
        );
        self::assertSame(2, $reels(self::plan([40, 40, 40], $stock)), 'by themselves they use the offcut up');
        self::assertSame(1, $reels(self::plan([40, 40, 40], $stock, 'L')));
        $codes = Bench::codes(
            self::plan(
                [150, 150, 150],
                [],
                'L',
                Site::of(Site::ways(), Site::run('A-1'))->with(looms: ['L' => Site::loom('L')]),
            )->findings,
        );
        self::assertContains('cut.group', $codes, 'more together than any reel holds');
    }

    public function test_a_cut_longer_than_any_reel_stops_and_a_reel_shorter_than_any_cut_is_told(): void
    {
        $plan = self::plan([310, 20]);
        self::assertSame(['R-0'], array_map(static fn (CutNeeded $need): string => $need->run, $plan->unmet));
        self::assertContains('cut.too-long', Bench::codes($plan->findings));
        self::assertContains(
            'cut.reel-too-short',
            Bench::codes(self::plan([20], [self::stock('S', 5), self::stock('R', 100)])->findings),
        );
        $unsold = self::bench()->withCatalogueEdited(['cables.pair-foil.reels' => []]);
        self::assertContains('cut.not-in-stock', Bench::codes(self::plan([20], [], '', $unsold)->findings));
    }

    public function test_what_no_reel_on_sale_holds_comes_off_the_shelf_first_and_is_never_bought(): void
    {
        // 400 m on the shelf; 300 m is the longest on sale.
        $plan = self::plan([310, 120, 90, 60], [self::stock('R', 400)]);
        self::assertSame([], $plan->unmet);
        self::assertContains('R-0', array_map(static fn (Cut $cut): string => $cut->run, $plan->assigned[0]->cuts));
        $two = self::plan([310, 305, 20], [self::stock('R', 400)]);
        self::assertCount(1, $two->unmet, 'the shelf holds one of them');
        $finding = array_values(
            array_filter($two->findings, static fn (Finding $each): bool => $each->code === 'cut.too-long'),
        )[0];
        self::assertStringContainsString('others take what is on the shelf', $finding->words);
        self::assertStringContainsString('joint box', $finding->remedy);
        $random = new Randomizer(new Mt19937(5));
        for ($n = 0; $n < 1000; $n++) {
            $metres = array_map(
                static fn (): float => $random->getInt(10, 4200) / 10,
                range(0, $random->getInt(0, 13)),
            );
            $stock = array_map(
                static fn (int $i): Stock => self::stock('S-'.$i, $random->getInt(200, 4500) / 10),
                range(1, $random->getInt(1, 3)),
            );
            $plan = self::plan($metres, $stock);
            foreach ($plan->assigned as $assigned) {
                self::assertFalse($assigned->rest()->isNegative());
                if ($assigned->stock->kind === StockKind::ToBuy) {
                    self::assertContains($assigned->stock->left->canonical(), ['100000 mm', '300000 mm']);
                }
            }
            $cut = array_merge(...array_map(static fn ($each): array => $each->cuts, $plan->assigned));
            self::assertCount(count($metres), [...$cut, ...$plan->unmet], 'cut or said not to be');
            $said = array_filter($plan->findings, static fn (Finding $each): bool => $each->code === 'cut.too-long');
            self::assertCount(count($plan->unmet), $said, 'each with a finding');
        }
    }

    public function test_what_fits_to_the_last_millimetre_fits_and_it_is_said_that_nothing_stays(): void
    {
        $bench = self::bench()->withCatalogueEdited(['cables.pair-foil.reels' => ['305 m', '1000 m']]);
        $pair = self::plan([152.51, 152.49], [], '', $bench);
        self::assertSame([1, '305000 mm'], [$pair->bought, $pair->assigned[0]->stock->left->canonical()]);
        self::assertContains('cut.no-margin', Bench::codes($pair->findings));
        self::assertTrue($pair->assigned[0]->isTight());
        $drum = self::plan([1000], [], '', $bench);
        self::assertSame([1, 0], [$drum->bought, $drum->assigned[0]->rest()->nanometres]);
        self::assertSame([], self::plan([1000], [self::stock('R', 1000)], '', $bench)->unmet);
        self::assertNotContains('cut.no-margin', Bench::codes(self::plan([250], [], '', $bench)->findings));
    }

    public function test_a_margin_that_the_house_asks_for_stays_on_every_reel_and_on_no_offcut(): void
    {
        $bench = self::bench()->withCatalogueEdited(['cables.pair-foil.reels' => ['100 m', '300 m']]);
        $rules = $bench->installation->rules();
        $with = $bench->with(
            rules: FileDecoder::rules(
                Fields::from(['reelMargin' => '2 m'] + FileEncoder::rules($rules), '', new Problems()),
            ),
        );
        self::assertSame('100000 mm', self::plan([50, 48], [], '', $with)->assigned[0]->stock->left->canonical());
        self::assertSame('300000 mm', self::plan([50, 48.05], [], '', $with)->assigned[0]->stock->left->canonical());
        $offcut = self::plan([25], [self::stock('O', 25, StockKind::Offcut)], '', $with);
        self::assertSame(0, $offcut->bought);
        self::assertSame(1, self::plan([25], [self::stock('R', 25)], '', $with)->bought);
        self::assertCount(1, self::plan([299], [], '', $with)->unmet);
        self::assertNotContains('cut.no-margin', Bench::codes(self::plan([50, 48], [], '', $with)->findings));
    }

    /** @return array<int|string, string> run → stock */
    private static function stockOf(CablePlan $plan): array
    {
        return array_map(static fn (array $on): string => $on[0]->id, (new CutPlan(['x' => $plan]))->byRun());
    }

    public function test_after_a_miscut_as_few_others_move_as_can_be(): void
    {
        $random = new Randomizer(new Mt19937(44));
        $moved = $kept = 0;
        for ($n = 0; $n < 60; $n++) {
            $metres = array_map(static fn (): float => $random->getInt(50, 900) / 10, range(1, $random->getInt(8, 40)));
            $stock = [self::stock('R', $random->getInt(60, 280)), self::stock('S', $random->getInt(60, 280))];
            $plan = self::plan($metres, $stock);
            $before = self::stockOf($plan);
            // One is cut off its reel a third too short, and is to be cut again.
            $at = $random->getInt(0, count($metres) - 1);
            $on = $before['R-'.$at];
            $short = $metres[$at] / 3;
            $left = array_map(
                static fn (Stock $each): Stock => $each->id === $on
                    ? self::stock($on, $each->left->inMetres() - $short)
                    : $each,
                $stock,
            );
            $left[] = self::stock('piece:1', $short, StockKind::Piece);
            $after = self::plan($metres, $left, before: $before);
            self::assertSame($after->bought, self::plan($metres, $left)->bought, 'never for a reel more');
            self::assertCount(count($metres), self::stockOf($after));
            $away = Replanned::between(new CutPlan([$plan]), new CutPlan([$after]))->moved;
            $moved += count(array_filter($away, static fn (array $each): bool => $each['run'] !== 'R-'.$at));
            $kept += count($metres);
        }
        self::assertLessThan(0.08, $moved / $kept, $moved.' of '.$kept);
    }

    public function test_jacket_marks_add_up_whichever_way_they_run(): void
    {
        foreach (
            [
                [true, MarkUnit::Metre, 1.0],
                [false, MarkUnit::Metre, -1.0],
                [true, MarkUnit::Foot, 1 / 0.3048],
                [false, MarkUnit::Foot, -1 / 0.3048],
            ] as [$rising, $unit, $perMetre]
        ) {
            $plan = self::plan(
                [20.5, 13.25, 7],
                [self::stock('R', 60, StockKind::Reel, new JacketMarks($unit, $rising, 400.0))],
            );
            $mark = 400.0;
            foreach ($plan->assigned[0]->cuts as $cut) {
                self::assertEqualsWithDelta($mark, $cut->from, 1e-6);
                self::assertEqualsWithDelta($mark + $perMetre * $cut->length->inMetres(), $cut->to, 1e-6);
                $mark = $cut->to ?? 0.0;
            }
            self::assertEqualsWithDelta(40.75, abs($mark - 400.0) / abs($perMetre), 1e-6);
        }
    }

    private static function site(): Bench
    {
        $bench = Site::of(
            Site::ways(),
            Site::run('A-1'),
            Site::run('A-2'),
            Site::run('A-3', 'right'),
        )->withCatalogueEdited(['cables.pair-foil.reels' => ['100 m']]);

        return $bench->with(
            reels: [
                'R' => new Reel(
                    'R',
                    'pair-foil',
                    Length::metres(60),
                    false,
                    new JacketMarks(MarkUnit::Metre, true, 100.0),
                ),
            ],
        );
    }

    private static function cut(
        string $run,
        string $length,
        ?string $reel = 'R',
        ?float $from = null,
        ?float $to = null,
        int $n = 1,
    ): Event {
        $id = sprintf('00000000-0000-4000-a000-%012d', $n);

        return new Event(
            $id,
            EventKind::Cut,
            $run,
            null,
            'bench',
            '2026-03-09T08:00:00Z',
            sprintf('2026-03-09T08:%02d:00.000000Z', $n),
            '',
            says: new CutNoted(new CutMade(Length::parse($length), $reel, $from, $to)),
        );
    }

    private static function cuts(Bench $bench, Event ...$events): CutPlan
    {
        $record = new Record(array_values($events));

        $plan = (new Planner())->plan($bench->installation, $record);

        return Cuts::plan(CutFacts::of($bench->installation, $plan), $record);
    }

    public function test_a_recorded_cut_is_off_the_reel_and_needs_no_other(): void
    {
        $bench = self::site();
        $planned = $bench->plan()->runs['A-1']->cut->result;
        [$before, $after] = [
            self::cuts($bench),
            self::cuts($bench, self::cut('A-1', $planned->canonical(), 'R', 100.0, 100.0 + $planned->inMetres())),
        ];
        self::assertArrayHasKey('A-1', $before->byRun());
        self::assertArrayNotHasKey('A-1', $after->byRun());
        $reel = $after->cables['pair-foil']->assigned[0]->stock;
        self::assertEqualsWithDelta(60 - $planned->inMetres(), $reel->left->inMetres(), 1e-9);
        self::assertEqualsWithDelta(
            100 + $planned->inMetres(),
            $reel->marks?->start,
            1e-9,
            'the free end has moved on',
        );
        self::assertSame(['A-1'], Replanned::between($before, $after)->done);
    }

    public function test_a_mark_that_was_read_says_more_than_the_sum_of_lengths(): void
    {
        // 16 m cut, but the mark at the end says 18 m are gone: 2 m were thrown away.
        $after = self::cuts(self::site(), self::cut('A-1', '16 m', 'R', 102.0, 118.0));
        self::assertEqualsWithDelta(42.0, $after->cables['pair-foil']->assigned[0]->stock->left->inMetres(), 1e-9);
    }

    public function test_a_miscut_is_planned_again_and_its_piece_is_kept_for_another(): void
    {
        $bench = self::site();
        $short = self::cut('A-3', '17 m', 'R', 100.0, 117.0);
        [$before, $after] = [self::cuts($bench), self::cuts($bench, $short)];
        self::assertArrayHasKey('A-3', $after->byRun(), 'too short: it is cut again');
        $pieces = array_filter(
            $after->cables['pair-foil']->assigned,
            static fn ($each): bool => $each->stock->kind === StockKind::Piece,
        );
        self::assertCount(1, $pieces);
        self::assertSame('17000 mm', reset($pieces)->stock->left->canonical());
        self::assertContains(reset($pieces)->cuts[0]->run, ['A-1', 'A-2'], 'a shorter run takes it');
        self::assertNotSame([], Replanned::between($before, $after)->moved, 'and it is said what changed');
        $prints = $bench->plan()->reliedOn('A-3');
        $now = new Event(
            $short->id,
            $short->kind,
            $short->run,
            null,
            $short->by,
            $short->at,
            $short->received,
            $prints->for(EventKind::Cut, null),
            says: $short->says,
        );
        $strand = (new Planner())->plan($bench->installation, new Record([$now]))->strand('A-3');
        self::assertSame(BeadState::Failed, $strand[0]->state);
    }

    public function test_a_cut_that_became_too_short_is_planned_again(): void
    {
        $bench = self::site();
        $fits = self::cut('A-1', $bench->plan()->runs['A-1']->cut->result->canonical());
        self::assertArrayNotHasKey('A-1', self::cuts($bench, $fits)->byRun());
        $longer = $bench->with(
            ways: Site::ways(Site::way('tray', \Sartal\Core\Given\Installation\WayKind::Tray, 14, 'rack', 'hall')),
        );
        self::assertArrayHasKey('A-1', self::cuts($longer, $fits)->byRun());
    }

    public function test_a_run_made_in_place_is_paid_out_long_by_rule(): void
    {
        $bench = Site::of(Site::ways(), Site::run('A-1'));
        $run = $bench->installation->runs()['A-1'];
        $site = $bench->withRun(
            new Run(
                $run->id,
                $run->code,
                $run->cable,
                \Sartal\Core\Given\Installation\Build::Site,
                $run->a,
                $run->b,
                $run->ways,
                $run->carries,
            ),
        );
        self::assertSame(
            '500 mm',
            $site
                ->plan()
                ->runs['A-1']->cut->exact->minus($bench->plan()->runs['A-1']->cut->exact)
                ->canonical(),
        );
    }

    public function test_what_is_withdrawn_or_has_no_length_is_not_cut(): void
    {
        $in = Bench::microphone()->installation;
        $run = $in->theRun('A-1');
        $length = LengthToCut::of(Worked::sum([new Term('Way', '', Length::metres(12), 'test')]));
        $none = LengthToCut::of(Worked::sum([]));
        $ids = static fn (Run $of, LengthToCut $at): array => array_map(
            static fn (CutNeeded $need): string => $need->run,
            StockTake::needs(CutFacts::with($in, ['A-1' => CutFacts::run($of, $in, $at)]), new Record()),
        );
        self::assertSame(['A-1'], $ids($run, $length));
        self::assertSame([], $ids($run, $none));
        self::assertSame([], $ids(new Run(...['withdrawn' => true] + get_object_vars($run)), $length));
    }
}
