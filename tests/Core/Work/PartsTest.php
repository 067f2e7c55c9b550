<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Covering;
use Sartal\Core\Given\Installation\Economy;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Ways\Looming\Packing\MemoryPackings;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\CutNeeded;
use Sartal\Core\Work\Cutting\CutPlanner;
use Sartal\Core\Work\Cutting\Cuts;
use Sartal\Core\Work\Cutting\Stock;
use Sartal\Core\Work\Cutting\StockKind;
use Sartal\Core\Work\Parts\LoomParts;
use Sartal\Core\Work\Parts\MakeOrBuyPlanner;
use Sartal\Core\Work\Parts\PartsLine;
use Sartal\Core\Work\Parts\PartsList;
use Sartal\Core\Work\Parts\PartsPlanner;
use Tests\Support\Bench;
use Tests\Support\Site;

/** Parts, packs, kits, shelf, time and cost. Trade facts: common practice. */
final class PartsTest extends TestCase
{
    private static function list(Bench $bench, bool $whole = true, ?Record $record = null): PartsList
    {
        $plan = (new Planner())->plan($bench->installation, $record ?? new Record());

        return PartsPlanner::planned($bench->installation, $plan)->list(
            array_map(strval(...), array_keys($bench->installation->runs())),
            [],
            Cuts::plan(CutFacts::of($bench->installation, $plan), $record ?? new Record()),
            $whole,
        );
    }

    private static function line(PartsList $list, string $id): ?PartsLine
    {
        foreach ($list->lines as $line) {
            if ($line->id === $id) {
                return $line;
            }
        }

        return null;
    }

    public function test_a_multicore_takes_72_contacts_in_one_pack_with_spares(): void
    {
        $contacts =
            self::line(self::list(Bench::stageBox()), 'contact-rect-male-fine') ??
            self::line(self::list(Bench::stageBox()), 'contact-rect-male');
        self::assertSame(72.0, $contacts?->needed->value, '24 channels of three');
        self::assertSame(4.0, $contacts->spares, '5 % of 72, rounded up');
        self::assertSame(1, $contacts->packs);
    }

    /** Reels of unlike lengths are counted by their lengths; what is yet to be bought is nowhere in stock. */
    public function test_reels_to_be_bought_are_listed_by_length_and_are_no_stock(): void
    {
        $bench = Bench::microphone()->withCatalogueEdited(['cables.pair-foil.reels' => ['10 m', '100 m']]);
        $run = $bench->plan()->runs['A-1']->cut->result->inMetres();
        $line = self::line(self::list($bench), 'pair-foil');
        self::assertSame([['metres' => 100.0, 'count' => 1]], $line?->reels, $run.' m do not come off 10 m');
        self::assertSame([[], 0.0, 1], [$line->sources, $line->stock, $line->packs]);
        $needs = [];
        foreach ([95, 8, 92] as $i => $metres) {
            $needs[] = new CutNeeded('R-'.$i, 'pair-foil', Length::metres($metres));
        }
        $facts = CutFacts::of($bench->installation, $bench->plan());
        $shelf = [
            new Stock('R', 'R', 'pair-foil', Length::metres(96), StockKind::Reel, null, Length::zero()),
        ];
        $cuts = (new CutPlanner($facts))->plan($needs, $shelf);
        $of = PartsPlanner::planned($bench->installation, $bench->plan())->list(['A-1'], [], $cuts);
        $line = self::line($of, 'pair-foil');
        self::assertSame(['R'], $line?->sources);
        self::assertSame([['metres' => 100.0, 'count' => 1]], $line->reels, '92 and 8 come off one');
    }

    public function test_packs_are_rounded_up_once_for_the_whole_order(): void
    {
        $order = Bench::of(
            ...array_map(
                static fn (int $n): \Sartal\Core\Plan\Proposing\RunRequest => Bench::request(
                    'V-'.$n,
                    'coax-75-12g',
                    ['video'],
                    ['bnc75-plug-video'],
                    ['bnc75-plug-video'],
                ),
                range(1, 4),
            ),
        );
        $ferrules = self::line(self::list($order), 'ferrule-coax-large');
        self::assertSame(
            [8.0, 1],
            [$ferrules?->needed->value, $ferrules?->packs],
            'eight and a spare are one pack of ten, not four packs',
        );
    }

    public function test_what_a_kit_brings_and_nobody_uses_goes_back_on_the_shelf(): void
    {
        $list = self::list(Bench::microphone());
        $wide = self::line($list, 'chuck-wide');
        $narrow = self::line($list, 'chuck-narrow');
        // Each of the two connectors brings both chucks and uses one.
        self::assertSame(
            [2.0, 0.0],
            [
                ($wide->returned ?? 0.0) + ($narrow->returned ?? 0.0),
                ($wide->needed->value ?? 0.0) + ($narrow->needed->value ?? 0.0),
            ],
        );
        self::assertNull(self::line($list, 'shell-3pole'), 'used as it came: neither bought nor left over');
    }

    public function test_the_shelf_is_taken_off_and_never_below_nothing(): void
    {
        $stocked = Bench::microphone()->with(economy: new Economy(stock: ['xlr3-female-cable' => 5]));
        $line = self::line(self::list($stocked), 'xlr3-female-cable');
        self::assertSame([1.0, 5.0, 0.0, 0], [$line?->needed->value, $line?->stock, $line?->short, $line?->packs]);
    }

    public function test_a_fitting_that_several_runs_share_is_bought_once(): void
    {
        $block = Bench::of(
            Bench::request('C-1', 'cat6-utp', ['network'], ['modular-frame-4-mixed'], []),
            Bench::request('C-2', 'cat6-utp', ['network'], ['8p8c-plug-t568b'], []),
        );
        $before = self::line(self::list($block), 'modular-frame-4');
        self::assertSame(1.0, $before?->needed->value);
        $run = $block->installation->runs()['C-2'];
        $leg = $run->a->legs[0];
        $shared = $block->withRun(
            new \Sartal\Core\Given\Installation\Run(
                $run->id,
                $run->code,
                $run->cable,
                $run->build,
                new \Sartal\Core\Given\Installation\End(
                    $run->a->location,
                    $run->a->tail,
                    $run->a->slack,
                    $run->a->preparation,
                    0,
                    [
                        new \Sartal\Core\Given\Installation\Leg(
                            $leg->id,
                            $leg->label,
                            $leg->elements,
                            $leg->length,
                            $block->installation->runs()['C-1']->a->legs[0]->landing,
                        ),
                    ],
                ),
                $run->b,
                $run->ways,
                $run->carries,
            ),
        );
        self::assertSame(1.0, self::line(self::list($shared), 'modular-frame-4')?->needed->value);
    }

    public function test_a_chain_that_ends_at_a_fitting_takes_its_terminator_and_one_that_ends_in_a_device_none(): void
    {
        $chain = Bench::of(Bench::request('D-1', 'data-2pair', ['dmx'], ['xlr5-male-dmx'], ['xlr5-female-dmx']));
        self::assertNull(self::line(self::list($chain), 'terminator-dmx'));
        self::assertSame(
            1.0,
            self::line(self::list($chain->withCircuit('D-1.c1', terminator: 'D-1.b1')), 'terminator-dmx')?->needed
                ->value,
        );
        self::assertNull(
            self::line(self::list($chain->withCircuit('D-1.c1', terminator: 'dimmer:in')), 'terminator-dmx'),
        );
    }

    public function test_stranded_wire_under_a_screw_takes_a_bootlace_ferrule_and_mains_as_the_house_has_it(): void
    {
        $mains = Bench::of(
            Bench::request(
                'P-1',
                'composite',
                ['mains', 'analogue'],
                ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
                ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
            ),
        );
        self::assertSame(
            6.0,
            self::line(self::list($mains), 'bootlace-1-5')?->needed->value,
            'line, neutral and earth of 1.5 mm² at both ends',
        );
        $bare = $mains->with(rules: $mains->installation->rules()->with(\Sartal\Core\Given\Schools\MainsEnds::Bare));
        self::assertNull(self::line(self::list($bare), 'bootlace-1-5'));
        $list = self::list(Bench::drainWithEarth());
        self::assertSame(
            [4.0, 2.0],
            [
                self::line($list, 'bootlace-1-5')?->needed->value,
                self::line($list, 'bootlace-twin-1-5')?->needed->value,
            ],
            'line and neutral have their own, earth and drain one together',
        );
        $bus = Bench::of(Bench::request('D-1', 'data-pair-120', ['rs485'], ['terminal3-rs485'], ['terminal3-rs485']));
        self::assertSame(
            6.0,
            self::line(self::list($bus), 'bootlace-0-5')?->needed->value,
            'thin wires go into the smallest there is',
        );
        self::assertNull(self::line(self::list(Bench::microphone()), 'bootlace-0-5'), 'no screw, no ferrule');
    }

    public function test_every_line_opens_into_where_it_is_needed(): void
    {
        foreach (self::list(Bench::stageBox())->lines as $line) {
            self::assertNotSame([], $line->needed->terms, $line->name);
            foreach ($line->needed->terms as $term) {
                self::assertStringContainsString('M-1', $term->label);
            }
        }
    }

    public function test_what_is_done_is_not_ordered_again(): void
    {
        $bench = Bench::microphone();
        $plan = $bench->plan();
        $prints = $plan->reliedOn('A-1');
        $event = static fn (EventKind $kind, ?\Sartal\Core\Given\Installation\Side $side, int $n): Event => new Event(
            sprintf('00000000-0000-4000-a000-%012d', $n),
            $kind,
            'A-1',
            $side,
            'bench',
            '2026-03-09T08:00:00Z',
            sprintf('2026-03-09T08:0%d:00.000000Z', $n),
            $prints->for($kind, $side),
        );
        $record = new Record([
            $event(EventKind::Cut, null, 1),
            $event(EventKind::Joined, \Sartal\Core\Given\Installation\Side::A, 2),
        ]);
        $left = self::list($bench, false, $record);
        self::assertNull(self::line($left, 'pair-foil'));
        self::assertNull(self::line($left, 'xlr3-female-cable'), 'end A is made');
        self::assertSame(1.0, self::line($left, 'xlr3-male-cable')?->needed->value);
    }

    public function test_a_loom_takes_sleeve_shrink_and_ties_by_length_and_piece(): void
    {
        $bench = Site::of(Site::ways(), Site::run('A-1', loom: 'L'), Site::run('A-2', loom: 'L'))->with(
            looms: ['L' => Site::loom('L', covering: Covering::Sleeve)],
        );
        $plan = $bench->plan();
        $dress = (new Dresser($bench->installation, new MemoryPackings()))->dress($plan->layout->looms['L']);
        $list = PartsPlanner::planned($bench->installation, $plan)->list(['A-1', 'A-2'], LoomParts::list($dress));
        $sleeve = self::line($list, 'sleeve-6');
        self::assertSame('m', $sleeve?->unit);
        self::assertEqualsWithDelta(
            array_sum(
                array_map(
                    static fn ($segment): float => $segment->sleeve?->cut->result->inMetres() ?? 0.0,
                    $dress->segments,
                ),
            ),
            $sleeve->needed->value,
            1e-9,
        );
        self::assertSame(1, $sleeve->packs, 'one reel of 50 m');
        self::assertSame(
            (float) array_sum(array_map(static fn ($segment): int => count($segment->points), $dress->segments)),
            self::line($list, 'tie-hook')?->needed->value,
        );
    }

    public function test_make_against_buy(): void
    {
        $prices = [
            'pair-foil' => 1.0,
            'xlr3-female-cable' => 3.0,
            'xlr3-male-cable' => 3.0,
            'label-flag' => 250.0,
            'label-wrap-s' => 250.0,
            'solder-leadfree' => 2500.0,
        ];
        $bench = Bench::microphone()->with(economy: new Economy('EUR', 60.0, 0.0, $prices, [], ['A-1' => 100.0]));
        $plan = $bench->plan();
        $worth = (new MakeOrBuyPlanner($bench->installation, $plan))->of($plan->assemblies['A-1']);
        $cable = $plan->runs['A-1']->cut->result->inMetres();
        // Cable by the metre, two connectors at 3, two labels and six joints at 1 each; an hour costs 60, so a minute
        // 1.
        self::assertEqualsWithDelta($cable + 6 + 2 + 6 + $worth->minutes->value, $worth->make->value, 1e-6);
        self::assertSame([], $worth->unpriced);
        self::assertEqualsWithDelta(
            (100 * (100 - $worth->make->value)) / 100,
            $worth->saving?->value,
            1e-9,
            '(buy − make) ÷ buy',
        );
        $unpriced = (new MakeOrBuyPlanner($bench->with(economy: new Economy())->installation, $plan))->of(
            $plan->assemblies['A-1'],
        );
        self::assertNotSame([], $unpriced->unpriced, 'a part without a price is named, not counted as nothing');
        self::assertNull($unpriced->saving);
    }
}
