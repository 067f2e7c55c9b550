<?php

declare(strict_types=1);

namespace Tests\Core\Later;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Economy;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Later\Changing\CutPiece;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\Overtaken;
use Sartal\Core\Later\Changing\OvertakenKind;
use Sartal\Core\Later\Changing\Pieces;
use Sartal\Core\Later\Changing\Remedy;
use Sartal\Core\Later\Changing\RemedyKind;
use Sartal\Core\Later\Changing\RunImpact;
use Sartal\Core\Later\Changing\Work;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Bench\Task;
use Tests\Support\Bench;
use Tests\Support\Crew;
use Tests\Support\Procedures;

/** What helps where work is overtaken, one remedy at a time, and what is not said to help. */
final class RemediesTest extends TestCase
{
    /** A microphone line of 10 m along the tray, with this slack and these spares at each end. */
    private static function line(float $slack, int $spares, string $id = 'A-1', float $tail = 1.0): RunRequest
    {
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
            Length::metres($tail),
            Length::metres($slack),
            Length::millimetres(40),
            $spares,
            $end->leg,
        );

        return new RunRequest($id, $id, $one->cable, $one->signals, $one->build, $end($one->a), $end($one->b), [
            'tray',
        ]);
    }

    private static function tray(Installation $in, float $metres): Installation
    {
        return $in->withWays(['tray' => self::way('tray', $metres)]);
    }

    private static function way(string $id, float $metres): Way
    {
        return new Way($id, ucfirst($id), WayKind::Tray, Length::metres($metres), 'here', 'there');
    }

    private static function on(string $run, Installation $before, Installation $after, Record $record): RunImpact
    {
        $planner = new Planner();
        $was = $planner->plan($before, $record);
        $impact = (new ImpactPlanner(new Work($after, $planner->plan($after, $record), $record), before: $was))->after(
            new Work($before, $was, $record),
        );
        $found = $impact->runs[$run] ?? self::fail($run.' is as it was.');
        // Whatever is proposed costs no more than doing all of it again, but for a piece that changes places.
        $cost = array_sum(array_map(static fn (Remedy $remedy): float => $remedy->cost->value, $found->best));
        if (! in_array(RemedyKind::Exchange, self::kinds($found->best), true)) {
            self::assertLessThanOrEqual($found->remake->cost->value + 1e-9, $cost);
        }

        return $found;
    }

    /**
     * @param  array<Remedy>  $remedies
     * @return list<RemedyKind>
     */
    private static function kinds(array $remedies): array
    {
        return array_map(static fn (Remedy $remedy): RemedyKind => $remedy->kind, array_values($remedies));
    }

    private static function of(RunImpact $run, OvertakenKind $kind): Overtaken
    {
        foreach ($run->overtaken as $each) {
            if ($each->kind === $kind) {
                return $each;
            }
        }
        self::fail('Nothing of the kind '.$kind->value.' is overtaken.');
    }

    public function test_what_is_used_up_is_named_and_nothing_beside_it(): void
    {
        $used = static function (float $slack, int $spares, float $metres): string {
            $in = Bench::of(self::line($slack, $spares))->installation;
            $record = (new Crew($in))->cut('A-1')->record();

            return self::on('A-1', $in, self::tray($in, $metres), $record)->best[0]->words;
        };
        // 10 m × 1.03 + 2 × 1 m + 2 × 0.30 m + 4 × 0.04 m = 13.06 m, cut at 13.10 m; 10.5 m need 13.575 m.
        self::assertSame('Use up 300 mm of the slack at end A, 175 mm of the slack at end B', $used(0.3, 1, 10.5));
        // No slack: 12.46 m, cut at 12.50 m; 10.05 m need 12.5115 m, and a spare end has 40 mm.
        self::assertSame('Use up 1 spare length at end A', $used(0.0, 1, 10.05));
    }

    public function test_slack_that_is_just_enough_leaves_the_spare_ends_alone(): void
    {
        // 10 m × 1.03 + 2 × 1.011 m + 2 × 0.30 m + 4 × 0.04 m = 13.082 m, cut at 13.10 m; 10.6 m need 13.70 m.
        $in = Bench::of(self::line(0.3, 1, tail: 1.011))->installation;
        $impact = self::on('A-1', $in, self::tray($in, 10.6), (new Crew($in))->cut('A-1')->record());
        self::assertSame('600 mm', self::of($impact, OvertakenKind::Cut)->missing?->exact->canonical());
        self::assertSame('Use up 300 mm of the slack at end A, 300 mm of the slack at end B', $impact->best[0]->words);
    }

    public function test_a_piece_that_is_exactly_as_long_as_is_needed_changes_places(): void
    {
        // 9 m × 1.03 + 2.08 m = 11.35 m, 14 m × 1.03 + 2.08 m = 16.50 m: both are multiples of 50 mm.
        $bench = Bench::of(self::line(0.0, 0), self::line(0.0, 0, 'A-9'));
        $run = static fn (string $id, string $way): Run => new Run(
            ...['ways' => [$way]] + get_object_vars($bench->installation->theRun($id)),
        );
        $ways = ['near' => self::way('near', 9), 'far' => self::way('far', 14)];
        $before = $bench->installation->withWays($ways)->withRun($run('A-1', 'near'))->withRun($run('A-9', 'far'));
        $after = $before->withRun($run('A-1', 'far'))->withRun($run('A-9', 'near'));
        $record = (new Crew($before))->cut('A-1', 'A-9')->record();
        $best = self::on('A-1', $before, $after, $record)->best[0];
        self::assertSame(RemedyKind::Exchange, $best->kind);
        self::assertSame('A-9', $best->pieces['A-1']);
    }

    public function test_pieces_go_round_in_a_ring_where_each_is_exactly_as_long_as_the_next_needs(): void
    {
        // 9, 14 and 19 m × 1.03 + 2.08 m = 11.35, 16.50 and 21.65 m, each a multiple of 50 mm.
        $bench = Bench::of(self::line(0.0, 0), self::line(0.0, 0, 'A-5'), self::line(0.0, 0, 'A-9'));
        $by = static function (Installation $in, array $ways): Installation {
            foreach ($ways as $id => $way) {
                $in = $in->withRun(new Run(...['ways' => [$way]] + get_object_vars($in->theRun($id))));
            }

            return $in;
        };
        $in = $bench->installation->withWays([
            'near' => self::way('near', 9),
            'middle' => self::way('middle', 14),
            'far' => self::way('far', 19),
        ])->changed(['economy' => new Economy(prices: ['pair-foil' => 10.0])]);
        $before = $by($in, ['A-1' => 'near', 'A-5' => 'middle', 'A-9' => 'far']);
        $after = $by($in, ['A-1' => 'far', 'A-5' => 'near', 'A-9' => 'middle']);
        $record = (new Crew($before))->cut('A-1', 'A-5', 'A-9')->record();
        $best = self::on('A-1', $before, $after, $record)->best[0];
        self::assertSame(['A-1' => 'A-9', 'A-5' => 'A-1', 'A-9' => 'A-5'], self::sorted($best->pieces));
    }

    /**
     * @param  array<int|string, string>  $pieces
     * @return array<int|string, string>
     */
    private static function sorted(array $pieces): array
    {
        ksort($pieces);

        return $pieces;
    }

    public function test_what_is_dearer_to_mend_than_to_do_again_is_done_again(): void
    {
        $in = Bench::of(self::line(0.0, 0))->installation->withWays([
            'tray' => self::way('tray', 100),
            'duct' => self::way('duct', 100),
        ]);
        $there = $in->withRun(new Run(...['ways' => ['duct']] + get_object_vars($in->theRun('A-1'))));
        $record = (new Crew($in))->cut('A-1')->each(['A-1'], EventKind::Installed)->record();
        $run = self::on('A-1', $in, $there, $record);
        self::assertGreaterThan(
            $run->remake->cost->value,
            self::of($run, OvertakenKind::Place)->remedies[0]->cost->value,
        );
        self::assertSame([RemedyKind::Remake], self::kinds($run->best));
    }

    public function test_only_pieces_of_the_cable_that_are_held_can_be_had(): void
    {
        $in = Bench::of(
            self::line(0.0, 0),
            self::line(0.0, 0, 'A-2'),
            Bench::request('C-1', 'cat6-utp', ['network'], ['8p8c-plug-t568b'], ['8p8c-plug-t568b']),
        )->installation;
        $record = (new Crew($in))->cut('A-1', 'A-2', 'C-1')->record();
        $free = static function (Installation $in) use ($record): array {
            $pieces = new Pieces(new Work($in, (new Planner())->plan($in, $record), $record));

            return array_map(static fn (CutPiece $piece): string => $piece->run, $pieces->free('pair-foil'));
        };
        self::assertEqualsCanonicalizing(['A-1', 'A-2'], $free($in));
        self::assertSame(
            ['A-1'],
            $free($in->withRun(new Run(...['withdrawn' => true] + get_object_vars($in->theRun('A-2'))))),
        );
    }

    public function test_what_is_confirmed_at_a_desk_is_told_from_what_is_done(): void
    {
        $confirmed = array_filter(RemedyKind::cases(), static fn (RemedyKind $kind): bool => $kind->isConfirmed());
        self::assertSame(
            ['keep', 'slack', 'exchange'],
            array_map(static fn (RemedyKind $kind): string => $kind->value, array_values($confirmed)),
        );
    }

    public function test_a_cable_that_lies_elsewhere_is_pulled_again_by_its_metres(): void
    {
        $in = Bench::of(self::line(0.3, 0))->installation->withWays([
            'tray' => self::way('tray', 10),
            'duct' => self::way('duct', 10),
        ]);
        $there = $in->withRun(new Run(...['ways' => ['duct']] + get_object_vars($in->theRun('A-1'))));
        $record = (new Crew($in))
            ->cut('A-1')
            ->terminate('A-1')
            ->each(['A-1'], EventKind::Installed)
            ->record();
        $place = self::of(self::on('A-1', $in, $there, $record), OvertakenKind::Place);
        // 13.00 m of cable, and a quarter of a minute for each.
        self::assertEqualsWithDelta(13.0 * Pace::PullMetre->minutes(), $place->remedies[0]->minutes->value, 1e-9);
    }

    public function test_labels_that_say_something_else_are_printed_and_put_on_again(): void
    {
        $in = Bench::of(self::line(0.3, 0))->installation;
        $named = $in->changed(['locations' => ['there' => new Location('there', 'Pump room')] + $in->locations()]);
        $record = (new Crew($in))
            ->cut('A-1')
            ->terminate('A-1')
            ->each(['A-1'], EventKind::Labelled)
            ->record();
        $label = self::of(self::on('A-1', $in, $named, $record), OvertakenKind::Label)->remedies[0];
        self::assertSame(RemedyKind::Label, $label->kind);
        self::assertCount(2, $label->parts, 'one at each end');
        self::assertGreaterThanOrEqual(2 * Pace::Label->minutes(), $label->minutes->value);
    }

    /** @return array<int|string, Operation> */
    private static function operations(Installation $in): array
    {
        $plan = (new Planner())->plan($in);

        return (new OperationPlanner($in))->of($plan->assemblies['A-1'], $plan->runs);
    }

    /** As the bench records it, step by step, as far as this. */
    private static function worked(Installation $in, callable $done): Record
    {
        $events = [];
        foreach (self::operations($in) as $operation) {
            if ($operation->task !== Task::Test && $done($operation)) {
                $at = sprintf('2026-03-09T08:00:%02d.000000Z', count($events));
                $events[] = new Event(
                    sprintf('00000000-0000-4000-8000-%012d', count($events)),
                    $operation->task->event(),
                    $operation->run,
                    $operation->side,
                    'ines',
                    $at,
                    $at,
                    OperationFacts::fingerprint($operation),
                    step: $operation->id,
                );
            }
        }

        return new Record($events);
    }

    public function test_a_step_done_by_another_description_is_done_again_and_with_its_joints_the_end_is(): void
    {
        $bench = Bench::of(self::line(0.0, 2));
        $in = $bench->installation;
        $sheath = current(
            array_filter(
                self::operations($in),
                static fn (Operation $each): bool => $each->side === Side::A && $each->task->isPreparation(),
            ),
        );
        self::assertInstanceOf(Operation::class, $sheath);
        $after = self::shifted($bench);

        $only = self::worked(
            $in,
            static fn (Operation $each): bool => $each->side === Side::A && $each->task->isPreparation(),
        );
        $steps = self::of(self::on('A-1', $in, $after, $only), OvertakenKind::Steps);
        self::assertSame(Side::A, $steps->side);
        self::assertMatchesRegularExpression(
            '/^End A: \d+ steps? (was|were) done by another description$/',
            $steps->words,
        );
        self::assertSame([RemedyKind::Steps], self::kinds($steps->remedies));
        self::assertNotSame([], $steps->remedies[0]->reopens);
        self::assertSame($steps->remedies[0]->reopens[0], $steps->remedies[0]->step);

        $joined = self::worked($in, static fn (Operation $each): bool => $each->side === Side::A);
        $steps = self::of(self::on('A-1', $in, $after, $joined), OvertakenKind::Steps);
        self::assertSame([RemedyKind::End], self::kinds($steps->remedies), 'nobody strips under joints');
    }

    /** The same, with the sheath off by another length. */
    private static function shifted(Bench $bench): Installation
    {
        $edits = [];
        foreach (Procedures::procedure('cup-3-pole')->steps as $i => $step) {
            if ($step->id === 'sheath-off') {
                $edits['procedures.cup-3-pole.steps.'.$i.'.measure.length'] = '21 mm';
            }
        }

        return $bench->withCatalogueEdited($edits)->installation;
    }
}
