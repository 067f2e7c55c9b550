<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\LabelScheme;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Verdict;
use Tests\Support\Bench;

/** Stages are read from what was done, and from whether what it relied on still stands. */
final class RecordTest extends TestCase
{
    private static function event(
        Bench $bench,
        int $n,
        EventKind $kind,
        ?Side $side = null,
        ?Verdict $verdict = null,
    ): Event {
        $relied = $bench->plan()->reliedOn('A-1')->for($kind, $side);
        $at = sprintf('2026-03-09T08:%02d:00.000000Z', $n);

        return new Event(
            sprintf('00000000-0000-4000-8000-%012d', $n),
            $kind,
            'A-1',
            $side,
            'someone',
            $at,
            $at,
            $relied,
            says: $verdict === null ? null : new TestTaken(verdict: $verdict),
        );
    }

    /** @return array<string, string> stage → state */
    private static function strand(Installation $installation, Event ...$events): array
    {
        $states = [];
        foreach ((new Planner())->plan($installation, new Record($events))->strand('A-1') as $bead) {
            $states[$bead->stage->value] = $bead->state->value;
        }

        return $states;
    }

    public function test_nothing_done_is_all_to_do(): void
    {
        self::assertSame(['to-do'], array_values(array_unique(self::strand(Bench::microphone()->installation))));
    }

    public function test_a_failure_shows_until_the_end_is_made_again_and_tested(): void
    {
        $bench = Bench::microphone();
        $failed = [
            self::event($bench, 1, EventKind::Cut),
            self::event($bench, 2, EventKind::Joined, Side::A),
            self::event($bench, 3, EventKind::Joined, Side::B),
            self::event($bench, 4, EventKind::Tested, verdict: Verdict::Fails),
        ];
        self::assertSame('failed', self::strand($bench->installation, ...$failed)['test']);
        $remade = [...$failed, self::event($bench, 5, EventKind::Remade, Side::B)];
        self::assertSame('to-do', self::strand($bench->installation, ...$remade)['test']);
        $passed = self::strand(
            $bench->installation,
            ...[...$remade, self::event($bench, 6, EventKind::Tested, verdict: Verdict::Passes)],
        );
        self::assertSame(
            [
                'cut' => 'done',
                'end-a' => 'done',
                'end-b' => 'done',
                'look' => 'to-do',
                'label' => 'to-do',
                'test' => 'done',
                'in-place' => 'to-do',
                'signed' => 'to-do',
            ],
            $passed,
        );
    }

    public function test_a_longer_way_overtakes_the_cut_and_nothing_else(): void
    {
        $bench = Bench::microphone();
        $events = [
            self::event($bench, 1, EventKind::Cut),
            self::event($bench, 2, EventKind::Joined, Side::A),
            self::event($bench, 3, EventKind::Tested, verdict: Verdict::Passes),
        ];
        $moved = $bench->with(
            ways: ['tray' => new Way('tray', 'Tray', WayKind::Tray, Length::metres(12), 'here', 'there')],
        );
        $strand = self::strand($moved->installation, ...$events);
        self::assertSame(['overtaken', 'done', 'done'], [$strand['cut'], $strand['end-a'], $strand['test']]);
        self::assertSame('done', self::strand($bench->installation, ...$events)['cut'], 'moved back, it fits again');
    }

    public function test_another_connector_overtakes_its_end_and_the_test(): void
    {
        $bench = Bench::category();
        $plan = $bench->plan();
        $relied = $plan->reliedOn('C-1');
        $at = '2026-03-09T08:00:00.000000Z';
        $events = [
            new Event(
                '00000000-0000-4000-8000-000000000001',
                EventKind::Joined,
                'C-1',
                Side::B,
                'x',
                $at,
                $at,
                $relied->for(EventKind::Joined, Side::B),
            ),
            new Event(
                '00000000-0000-4000-8000-000000000002',
                EventKind::Tested,
                'C-1',
                null,
                'x',
                $at,
                $at,
                $relied->for(EventKind::Tested, null),
                says: new TestTaken(verdict: Verdict::Passes),
            ),
        ];
        $states = [];
        $plan = (new Planner())->plan(Bench::category('8p8c-plug-t568a')->installation, new Record($events));
        foreach ($plan->strand('C-1') as $bead) {
            $states[$bead->stage->value] = $bead->state->value;
        }
        self::assertSame(['overtaken', 'overtaken'], [$states['end-b'], $states['test']]);
    }

    public function test_a_repeat_of_an_event_counts_once(): void
    {
        $bench = Bench::microphone();
        $cut = self::event($bench, 1, EventKind::Cut);
        self::assertCount(1, (new Record([$cut, $cut]))->events());
    }

    public function test_a_run_made_in_place_is_pulled_before_its_ends_are_made(): void
    {
        $bench = Bench::microphone();
        $run = $bench->installation->runs()['A-1'];
        $site = $bench->withRun(
            new Run($run->id, $run->code, $run->cable, Build::Site, $run->a, $run->b, $run->ways, $run->carries),
        );
        self::assertSame(
            ['cut', 'label', 'pull', 'end-a', 'end-b', 'look', 'test', 'signed'],
            array_keys(self::strand($site->installation)),
        );
    }

    public function test_one_edit_recomputes_its_subject_and_gives_the_same_plan_as_from_scratch(): void
    {
        $requests = [];
        for ($i = 1; $i <= 40; $i++) {
            $requests[] = Bench::request(
                'R-'.$i,
                'pair-foil',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            );
        }
        $bench = Bench::of(...$requests);
        $cache = new MemoryPlanCache();
        $planner = new Planner($cache);
        $planner->plan($bench->installation)->judged();
        self::assertSame(40, $cache->runsComputed);
        $planner->plan($bench->installation)->judged();
        self::assertSame(40, $cache->runsComputed, 'nothing changed, nothing computed');

        $run = $bench->installation->runs()['R-7'];
        $edited = $bench->withRun(new Run('R-7', 'R-7', $run->cable, $run->build, $run->a, $run->b, [], $run->carries));
        $plan = $planner->plan($edited->installation);
        self::assertSame(40, $cache->runsComputed, 'nobody has asked');
        $scratch = (new Planner())->plan($edited->installation);
        self::assertEquals($scratch->judged(), $plan->judged());
        self::assertSame(41, $cache->runsComputed);
        self::assertEquals($scratch->strands(), $plan->strands());
        foreach ($scratch->runs as $id => $each) {
            self::assertEquals($each->ends(), $plan->runs[$id]->ends());
            self::assertEquals($each->cut, $plan->runs[$id]->cut);
        }

        $planner->plan(
            $bench->with(
                rules: new HouseRules(
                    10,
                    Length::millimetres(50),
                    Length::zero(),
                    Length::zero(),
                    Length::metres(3),
                    Length::zero(),
                    new LabelScheme(),
                    [],
                ),
            )->installation,
        )->judged();
        self::assertSame(81, $cache->runsComputed, 'a house rule concerns every run');
    }
}
