<?php

declare(strict_types=1);

namespace Tests\Core\Later;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Departure;
use Sartal\Core\Given\Installation\DepartureOf;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\ColourScheme;
use Sartal\Core\Given\Schools\HotColour;
use Sartal\Core\Later\Changing\Impact;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\Leeway;
use Sartal\Core\Later\Changing\LeewayFinder;
use Sartal\Core\Later\Changing\Overtaken;
use Sartal\Core\Later\Changing\OvertakenKind;
use Sartal\Core\Later\Changing\Pieces;
use Sartal\Core\Later\Changing\RemedyKind;
use Sartal\Core\Later\Changing\RunImpact;
use Sartal\Core\Later\Changing\Work;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\Record;
use Tests\Support\Bench;
use Tests\Support\Crew;

/** Hand-made cases: what a change overtakes in work that is done, and what it costs to mend. */
final class ImpactTest extends TestCase
{
    private static function impact(Installation $before, Installation $after, Record $record): Impact
    {
        $planner = new Planner();
        $was = $planner->plan($before, $record);

        return (new ImpactPlanner(new Work($after, $planner->plan($after, $record), $record), before: $was))->after(
            new Work($before, $was, $record),
        );
    }

    /** Three microphone lines of 10 m along the tray, with 0.30 m of slack at each end. */
    private static function threeLines(): Bench
    {
        $line = static function (string $id): RunRequest {
            $one = Bench::request(
                $id,
                'pair-foil',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            );
            $end = static fn (Termination $end): Termination => new Termination(
                $end->location,
                $end->plans,
                $end->tail,
                Length::metres(0.3),
                $end->preparation,
                0,
                $end->leg,
            );

            return new RunRequest($id, $id, $one->cable, $one->signals, $one->build, $end($one->a), $end($one->b), [
                'tray',
            ]);
        };

        return Bench::of($line('A-1'), $line('A-2'), $line('A-3'));
    }

    private static function rackMoved(Installation $in, float $metres): Installation
    {
        return $in->withWays([
            'tray' => new Way('tray', 'Tray', WayKind::Tray, Length::metres(10 + $metres), 'here', 'there'),
        ]);
    }

    private static function cut(RunImpact $run): Overtaken
    {
        foreach ($run->overtaken as $each) {
            if ($each->kind === OvertakenKind::Cut) {
                return $each;
            }
        }
        self::fail($run->code.' is cut to a length that serves.');
    }

    public function test_a_rack_moved_two_metres_leaves_three_pieces_too_short_whatever_became_of_them(): void
    {
        $in = self::threeLines()->installation;
        $record = (new Crew($in))->cut('A-1', 'A-2', 'A-3')->terminate('A-2', 'A-3')->test('A-3')->record();
        $impact = self::impact($in, self::rackMoved($in, 2), $record);

        self::assertSame(['A-1', 'A-2', 'A-3'], array_keys($impact->runs));
        self::assertSame(3, $impact->count(), 'Joints, labels and the test say the same as before.');
        foreach ($impact->runs as $run) {
            $cut = self::cut($run);
            // By hand: 10 m × 1.03 + 2 × 1 m + 2 × 0.30 m + 2 × 0.04 m = 12.98 m, cut at 13.00 m; 12 m × 1.03 + 2.68 m
            // = 15.04 m.
            self::assertSame('2040 mm', $cut->missing?->exact->canonical());
            self::assertSame([], $cut->remedies);
            // 2.04 m less the 0.60 m that both ends have.
            self::assertStringContainsString('1440 mm too little', $cut->ruledOut[0]);
            self::assertSame([RemedyKind::Remake], array_map(static fn ($remedy) => $remedy->kind, $run->best));
        }
        [$one, $two, $three] = array_map(
            static fn (RunImpact $run): float => $run->remake->minutes->value,
            array_values($impact->runs),
        );
        self::assertGreaterThan($one, $two, 'A terminated cable takes its ends along.');
        self::assertEqualsWithDelta(2.0, $three - $two, 0.01, 'And a tested one its test, of 2 min.');
        self::assertEqualsWithDelta($one + $two + $three, $impact->minutes->value, 1e-9);
        $cable = array_values(
            array_filter($impact->parts->lines, static fn ($line): bool => $line->id === 'pair-foil'),
        )[0];
        self::assertEqualsWithDelta(
            3 * 15.05,
            $cable->needed->value,
            1e-9,
            '15.04 m, up to the next 50 mm, three times.',
        );
    }

    public function test_half_a_metre_comes_out_of_the_slack(): void
    {
        $in = self::threeLines()->installation;
        $impact = self::impact($in, self::rackMoved($in, 0.5), (new Crew($in))->cut('A-1')->record());
        $best = $impact->runs['A-1']->best[0];
        // 10.5 m × 1.03 + 2.68 m = 13.495 m: 0.495 m too short, 0.300 m at one end and 0.195 m at the other.
        self::assertSame('495 mm', self::cut($impact->runs['A-1'])->missing?->exact->canonical());
        self::assertSame(RemedyKind::Slack, $best->kind);
        self::assertSame('Use up 300 mm of the slack at end A, 195 mm of the slack at end B', $best->words);
    }

    public function test_what_rounding_up_left_over_is_enough_for_a_little(): void
    {
        $in = self::threeLines()->installation;
        // 10.019 m × 1.03 + 2.68 m = 12.99957 m, and the piece is 13.00 m; the plan says 13.00 m still.
        self::assertTrue(
            self::impact($in, self::rackMoved($in, 0.019), (new Crew($in))->cut('A-1')->record())->isNothing(),
        );
    }

    public function test_a_rack_that_comes_nearer_leaves_pieces_that_are_kept(): void
    {
        $in = self::threeLines()->installation;
        $impact = self::impact($in, self::rackMoved($in, -2), (new Crew($in))->cut('A-1')->record());
        self::assertSame('-2080 mm', self::cut($impact->runs['A-1'])->missing?->exact->canonical());
        self::assertSame(RemedyKind::Keep, $impact->runs['A-1']->best[0]->kind);
    }

    public function test_a_longer_piece_that_is_cut_and_not_begun_changes_places(): void
    {
        $far = Bench::request(
            'A-9',
            'pair-foil',
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            ['xlr3-male-cable-balanced'],
        );
        $far = new RunRequest('A-9', 'A-9', $far->cable, $far->signals, $far->build, $far->a, $far->b, [
            'tray',
            'shelf',
        ]);
        $ways = [
            'tray' => new Way('tray', 'Tray', WayKind::Tray, Length::metres(10), 'here', 'there'),
            'shelf' => new Way('shelf', 'Shelf', WayKind::Tray, Length::metres(8), 'there', 'there'),
        ];
        $near = Bench::request(
            'A-1',
            'pair-foil',
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            ['xlr3-male-cable-balanced'],
        );
        $in = Bench::of($near, $far)->with(ways: $ways)->installation;
        $record = (new Crew($in))->cut('A-1', 'A-9')->record();
        // The shelf goes, and the near run goes a long way round instead: each needs what the other was cut at.
        $after = $in->withRun(self::by($in, 'A-1', ['tray', 'shelf']))->withRun(self::by($in, 'A-9', ['tray']));
        $impact = self::impact($in, $after, $record);
        $best = $impact->runs['A-1']->best[0];
        self::assertSame(RemedyKind::Exchange, $best->kind);
        self::assertSame(['A-1' => 'A-9', 'A-9' => 'A-1'], $best->pieces);
        self::assertLessThan($impact->runs['A-1']->remake->cost->value, $best->cost->value);
    }

    /** @param  list<string>  $ways */
    private static function by(Installation $in, string $run, array $ways): Run
    {
        return new Run(...['ways' => $ways] + get_object_vars($in->runs()[$run]));
    }

    public function test_the_other_colour_scheme_after_ten_jacks_moves_four_cores_of_each(): void
    {
        $requests = array_map(
            static fn (int $i): RunRequest => Bench::request(
                'C-'.$i,
                'cat6-utp',
                ['network'],
                ['8p8c-jack-house'],
                ['8p8c-jack-house'],
            ),
            range(1, 5),
        );
        $in = Bench::of(...$requests)->installation;
        $runs = array_map(strval(...), array_keys($in->runs()));
        $record = (new Crew($in))->cut(...$runs)->terminate(...$runs)->test(...$runs)->record();
        $impact = self::impact($in, $in->withRules($in->rules()->with(ColourScheme::A)), $record);
        $ends = [];
        foreach ($impact->runs as $run) {
            foreach ($run->overtaken as $each) {
                if ($each->kind === OvertakenKind::End) {
                    $ends[] = $each;
                    // Green and orange change places, two cores of each (ANSI/TIA-568); blue and brown stay.
                    self::assertCount(4, $each->details);
                    self::assertSame(RemedyKind::Joints, $each->remedies[0]->kind, 'A jack opens and is used again.');
                    self::assertSame([], $each->remedies[0]->scraps);
                }
            }
        }
        self::assertCount(10, $ends);
        // The reading is the same, B to B or A to A; but a cable that was opened is tested again, once.
        foreach ($impact->runs as $run) {
            $tests = array_filter(
                array_merge(...array_map(static fn ($remedy): array => $remedy->minutes->terms, $run->best)),
                static fn ($term): bool => $term->label === 'test',
            );
            self::assertCount(1, $tests);
        }
    }

    /** Another answer for a loom is none of the other cables' concern, whatever was done to them. */
    public function test_what_a_loom_answers_otherwise_overtakes_its_own_ends_alone(): void
    {
        $in = self::threeLines()->withCatalogueEdited([
            'cables.pair-foil.construction.children.0.children.0.colour' => 'white',
            'cables.pair-foil.construction.children.0.children.1.colour' => 'red',
        ])->installation;
        $in = $in->withRun(new Run(...['loom' => 'L1'] + get_object_vars($in->theRun('A-1'))));
        $runs = ['A-1', 'A-2', 'A-3'];
        $record = (new Crew($in))->cut(...$runs)->terminate(...$runs)->record();
        $departing = static fn (DepartureOf $of, string $id): Installation => $in->withRules(
            $in->rules()->departing([new Departure($of, $id, HotColour::White)]),
        );
        $overtaken = static fn (Installation $after): array => array_map(
            strval(...),
            array_keys(self::impact($in, $after, $record)->runs),
        );
        self::assertSame(['A-1'], $overtaken($departing(DepartureOf::Loom, 'L1')));
        self::assertSame([], $overtaken($departing(DepartureOf::Loom, 'L2')));
        self::assertEqualsCanonicalizing(
            $runs,
            $overtaken($departing(DepartureOf::Family, $in->catalogue->theCable('pair-foil')->family)),
        );
    }

    private static function spared(End $end): End
    {
        return new End(...['spares' => 1] + get_object_vars($end));
    }

    public function test_plugs_that_are_pressed_through_are_cut_off_where_a_spare_is_left(): void
    {
        $in = Bench::of(Bench::request('C-1', 'cat6-utp', ['network'], ['8p8c-plug-house'], ['8p8c-plug-house']))
            ->installation;
        $record = (new Crew($in))->cut('C-1')->terminate('C-1')->record();
        $end = self::impact($in, $in->withRules($in->rules()->with(ColourScheme::A)), $record)->runs['C-1']
            ->overtaken[0];
        self::assertSame([], $end->remedies);
        self::assertStringContainsString('no spare length is left', implode(' ', $end->ruledOut));

        $spared = $in->withRun(
            new Run(
                ...['a' => self::spared($in->runs()['C-1']->a), 'b' => self::spared($in->runs()['C-1']->b)] +
                    get_object_vars($in->runs()['C-1']),
            ),
        );
        $record = (new Crew($spared))->cut('C-1')->terminate('C-1')->record();
        $end = self::impact($spared, $spared->withRules($in->rules()->with(ColourScheme::A)), $record)->runs['C-1']
            ->overtaken[0];
        self::assertSame([RemedyKind::End], array_map(static fn ($remedy) => $remedy->kind, $end->remedies));
        self::assertNotSame([], $end->remedies[0]->scraps, 'The plug is thrown away.');
    }

    public function test_a_plan_shifted_by_one_after_72_joints_moves_all_of_them_and_costs_no_contact(): void
    {
        $bench = Bench::stageBox();
        $in = $bench->installation;
        $plan = $in->catalogue->plans()['rect90-male-24ch'];
        $addresses = array_map(
            static fn ($cavity): string => $cavity->address,
            $in->catalogue->connectors()['rect90-male']->cavities,
        );
        $next = array_combine($addresses, [...array_slice($addresses, 1), $addresses[0]]);
        $shifted = [];
        foreach ($plan->channels as $channel => $functions) {
            foreach ($functions as $function => $address) {
                $shifted['plans.rect90-male-24ch.channels.'.$channel.'.'.$function] = $next[$address];
            }
        }
        $record = (new Crew($in))->cut('M-1')->join(Side::B, 'M-1')->record();
        $impact = self::impact($in, $bench->withCatalogueEdited($shifted)->installation, $record);
        $end = array_values(
            array_filter(
                $impact->runs['M-1']->overtaken,
                static fn (Overtaken $each): bool => $each->kind === OvertakenKind::End,
            ),
        )[0];
        self::assertSame(Side::B, $end->side);
        self::assertCount(72, $end->details, implode("\n", $end->details));
        self::assertSame(RemedyKind::Joints, $end->remedies[0]->kind);
        self::assertSame([], $end->remedies[0]->scraps);
        self::assertCount(
            72,
            array_filter($end->remedies[0]->reopens, static fn (string $id): bool => str_contains($id, '|join|')),
        );
        self::assertSame($end->remedies[0], $impact->runs['M-1']->best[0]);
    }

    public function test_a_rack_may_move_as_far_as_says_the_leeway_and_no_further(): void
    {
        $in = self::threeLines()->installation;
        $record = (new Crew($in))->cut('A-1', 'A-2')->record();
        $work = new Work($in, (new Planner())->plan($in, $record), $record);
        $leeway = (new LeewayFinder($work, new Pieces($work)))->of('there');
        self::assertSame(
            ['A-1', 'A-2'],
            array_map(static fn (Leeway $line): string => $line->run, $leeway),
            'What is not cut yet follows.',
        );
        // 13.00 m − 12.98 m = 20 mm; ÷ 1.03 = 19 mm. With 0.60 m of slack: 620 mm ÷ 1.03 = 601 mm.
        self::assertSame(['19 mm', '601 mm'], [$leeway[0]->before->canonical(), $leeway[0]->atMost->canonical()]);
        $short = static fn (float $metres): bool => ! self::impact(
            $in,
            self::rackMoved($in, $metres),
            $record,
        )->isNothing();
        self::assertFalse($short(0.019));
        self::assertTrue($short(0.02));
        self::assertSame(
            RemedyKind::Slack,
            self::impact($in, self::rackMoved($in, 0.601), $record)->runs['A-1']->best[0]->kind,
        );
        self::assertSame(
            RemedyKind::Remake,
            self::impact($in, self::rackMoved($in, 0.603), $record)->runs['A-1']->best[0]->kind,
        );
    }

    public function test_a_piece_whose_length_nobody_knows_is_not_said_to_serve(): void
    {
        $in = self::threeLines()->installation;
        $events = array_map(
            static fn (Event $event): Event => new Event(
                $event->id,
                $event->kind,
                $event->run,
                $event->side,
                $event->by,
                $event->at,
                $event->received,
                $event->fingerprint,
            ),
            (new Crew($in))->cut('A-1')->record()->events(),
        );
        $after = self::rackMoved($in, 2);
        $record = new Record($events);
        $cut = self::cut(
            (new ImpactPlanner(new Work($after, (new Planner())->plan($after, $record), $record)))->standing()->runs[
                'A-1'
            ],
        );
        self::assertSame([[], null], [$cut->remedies, $cut->missing]);
        self::assertStringContainsString('measure it', $cut->ruledOut[0]);
        // With the plan that it was cut by at hand, it is known.
        self::assertSame(
            '2040 mm',
            self::cut(self::impact($in, $after, $record)->runs['A-1'])->missing?->exact->canonical(),
        );
    }
}
