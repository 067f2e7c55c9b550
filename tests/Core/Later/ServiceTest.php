<?php

declare(strict_types=1);

namespace Tests\Core\Later;

use DateTimeImmutable;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\TestChoices;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Later\Handover\Gap;
use Sartal\Core\Later\Handover\GapKind;
use Sartal\Core\Later\Handover\Readiness;
use Sartal\Core\Later\Service\CircuitTracer;
use Sartal\Core\Later\Service\Retests;
use Sartal\Core\Later\Service\ServiceFacts;
use Sartal\Core\Later\Service\ServiceFaults;
use Sartal\Core\Later\Service\TraceStep;
use Sartal\Core\Plan\Joining\Gestures\FitSwitch;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\Reply;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Verdict;
use Tests\Support\Bench;

/** Circuits followed, faults in service, tests that fall due, and what stands between a job and its hand-over. */
final class ServiceTest extends TestCase
{
    /** @param  list<TraceStep>  $steps */
    private static function words(array $steps): string
    {
        return implode(' | ', array_map(static fn (TraceStep $step): string => $step->kind.' '.$step->name, $steps));
    }

    public function test_a_circuit_goes_on_through_what_is_plugged_together_and_reads_the_same_from_either_end(): void
    {
        // Two microphone lines in a row: the male end of the first in the female end of the second.
        $first = Bench::request(
            'A-1',
            'pair-foil',
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            ['xlr3-male-cable-balanced'],
        );
        $second = Bench::request(
            'A-2',
            'star-quad',
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            ['xlr3-male-cable-balanced'],
        );
        $in = Bench::of($first, $second)->with(matings: [new Mating('A-1.b1', 'A-2.a1')])->installation;
        $tracer = new CircuitTracer($in, (new Planner())->plan($in));
        $there = $tracer->from('A-1.a1', ['1', '2', '3']);
        self::assertSame(
            ['connector', 'run', 'connector', 'mating', 'connector', 'run', 'connector'],
            array_map(static fn (TraceStep $step): string => $step->kind, $there),
        );
        self::assertSame(
            ['A-1', 'A-2'],
            array_values(
                array_filter(
                    array_map(static fn (TraceStep $step): string => $step->kind === 'run' ? $step->run : '', $there),
                ),
            ),
        );
        $back = $tracer->from('A-2.b1', ['1', '2', '3']);
        self::assertSame(
            array_reverse(array_map(static fn (TraceStep $step): string => $step->kind.$step->name, $there)),
            array_map(static fn (TraceStep $step): string => $step->kind.$step->name, $back),
        );
        // One contact alone goes its own way.
        self::assertSame(['2 hot'], $tracer->from('A-1.a1', ['2'])[2]->contacts);
    }

    /** Two lines of one circuit; what is between them is for the test to say. */
    private static function inTwo(): Bench
    {
        $line = static fn (string $id): RunRequest => Bench::request(
            $id,
            'pair-foil',
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            ['xlr3-male-cable-balanced'],
        );
        $bench = Bench::of($line('A-1'), $line('A-2'));
        $second = $bench->installation->theRun('A-2');

        return $bench->withRun(
            new Run(
                ...['carries' => [new Carriage($second->carries[0]->element, 'A-1.c1')]] + get_object_vars($second),
            ),
        );
    }

    public function test_a_circuit_goes_through_a_device_by_its_name(): void
    {
        $mixer = new Equipment('mixer', 'Hall mixer', 'there', [
            new Port('in', 'In 1', 'xlr3-female-panel'),
            new Port('out', 'Out 1', 'xlr3-male-panel'),
        ]);
        $in = self::inTwo()->with(
            equipment: ['mixer' => $mixer],
            matings: [new Mating('A-1.b1', 'mixer:in'), new Mating('A-2.a1', 'mixer:out')],
        )->installation;
        $steps = (new CircuitTracer($in, (new Planner())->plan($in)))->circuit('A-1.c1');
        self::assertContains(
            'through Hall mixer',
            array_map(static fn (TraceStep $step): string => $step->name, $steps),
            self::words($steps),
        );
    }

    public function test_a_circuit_is_told_from_one_of_its_ends_whatever_is_found_first(): void
    {
        // The first run by name comes second: its female end is plugged onto the other's male one.
        $in = self::inTwo()->with(matings: [new Mating('A-2.b1', 'A-1.a1')])->installation;
        $steps = (new CircuitTracer($in, (new Planner())->plan($in)))->circuit('A-1.c1');
        self::assertSame(
            ['connector', 'run', 'connector', 'mating', 'connector', 'run', 'connector'],
            array_map(static fn (TraceStep $step): string => $step->kind, array_slice($steps, 0, 7)),
            self::words($steps),
        );
        self::assertStringStartsWith('connector A-1 B', self::words($steps));
        self::assertStringContainsString('connector A-2 A', self::words($steps));
    }

    public function test_a_contact_that_meets_another_goes_on_as_that(): void
    {
        $bench = self::inTwo()
            ->withCatalogueEdited([
                'connectors.xlr3-male-cable.mates' => [
                    ['with' => 'xlr3-female-cable', 'contacts' => ['2' => '3', '3' => '2']],
                ],
            ])
            ->with(matings: [new Mating('A-1.b1', 'A-2.a1')]);
        $tracer = new CircuitTracer($bench->installation, $bench->plan());
        $on = static fn (string $contact): array => $tracer->from('A-1.a1', [$contact])[4]->contacts;
        self::assertSame([['3 cold'], ['2 hot'], ['1 screen']], [$on('2'), $on('3'), $on('1')]);
    }

    public function test_a_contact_behind_a_switch_in_series_is_found_from_both_sides(): void
    {
        $sketch = new Sketch(self::inTwo()->installation);
        (new FitSwitch('Ground lift', '', 'A-1.b1/1'))->draw($sketch);
        $in = $sketch->drawn()->in;
        $tracer = new CircuitTracer($in, (new Planner())->plan($in));
        $there = array_map(static fn (TraceStep $step): string => $step->name, $tracer->from('A-1.a1', ['1']));
        self::assertSame('splice-1', $there[2]);
        self::assertSame('jumpers', $there[3]);
        self::assertStringStartsWith('A-1 B', $there[4]);
        $back = array_map(static fn (TraceStep $step): string => $step->name, $tracer->from('A-1.b1', ['1']));
        self::assertSame(array_slice($there, 0, 5), array_reverse(array_slice($back, 0, 5)));
    }

    public function test_every_circuit_of_the_demo_is_found_whole_from_each_of_its_ends(): void
    {
        $file = InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        );
        $plan = (new Planner())->plan($file->installation);
        $tracer = new CircuitTracer($file->installation, $plan);
        $traced = 0;
        foreach ($file->installation->circuits() as $id => $circuit) {
            $runs = [];
            foreach ($plan->runs as $run) {
                foreach ($run->joints() as $joint) {
                    if ($joint->circuit === (string) $id) {
                        $runs[$run->run] = true;
                    }
                }
            }
            if ($runs === []) {
                continue;
            }
            $traced++;
            $found = array_filter(
                array_map(
                    static fn (TraceStep $step): string => $step->kind === 'run' ? $step->run : '',
                    $tracer->circuit((string) $id),
                ),
            );
            foreach (array_keys($runs) as $run) {
                self::assertContains((string) $run, $found, $circuit->name);
            }
        }
        self::assertGreaterThan(60, $traced);
    }

    public function test_a_fault_is_closed_by_a_test_after_its_repair_and_by_no_other(): void
    {
        $in = Bench::microphone()->installation;
        $plan = (new Planner())->plan($in);
        $event = static fn (int $i, EventKind $kind, mixed ...$more): Event => new Event(
            '00000000-0000-4000-8000-00000000000'.$i,
            $kind,
            'A-1',
            null,
            'x',
            '2026-03-0'.$i.'T08:00:00Z',
            '2026-03-0'.$i.'T08:00:00Z',
            '',
            ...$more,
        );
        $report = $event(1, EventKind::Reported, note: 'hums');
        $repair = $event(3, EventKind::Repaired, note: 'joined again', says: new Reply($report->id));
        $passes = static fn (int $i): Event => $event(
            $i,
            EventKind::Tested,
            says: new TestTaken(verdict: Verdict::Passes, stage: TestStage::Installed),
        );
        $of = static fn (Event ...$events): array => ServiceFaults::open(new Record($events), $plan->assemblyOf);
        self::assertNull($of($report, $passes(2))[0]->repair);
        self::assertFalse($of($report, $passes(2), $repair)[0]->isClosed(), 'The test was before the repair.');
        self::assertFalse(
            $of(
                $report,
                $repair,
                $event(4, EventKind::Tested, says: new TestTaken(verdict: Verdict::Fails)),
            )[0]->isClosed(),
        );
        self::assertTrue($of($report, $repair, $passes(4))[0]->isClosed());
    }

    public function test_months_later_is_the_same_day_or_the_last_one_of_the_month(): void
    {
        self::assertSame('2027-03-09', Retests::later('2026-03-09', 12));
        self::assertSame('2026-02-28', Retests::later('2026-01-31', 1));
        self::assertSame('2028-02-29', Retests::later('2027-11-30', 3));
        // Against the calendar itself, for days that every month has.
        for ($months = 0; $months < 60; $months++) {
            self::assertSame(
                (new DateTimeImmutable('2026-01-28'))->modify("+{$months} months")->format('Y-m-d'),
                Retests::later('2026-01-28', $months),
            );
        }
    }

    public function test_what_was_never_tested_in_place_has_no_due_date_and_comes_last(): void
    {
        $in = Bench::of(
            Bench::request(
                'A-1',
                'pair-foil',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
            Bench::request(
                'A-2',
                'pair-foil',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        )->with(testing: new TestChoices([], 6))->installation;
        $record = new Record([
            new Event(
                '00000000-0000-4000-8000-000000000001',
                EventKind::Tested,
                'A-2',
                null,
                'x',
                '2026-03-09T08:00:00Z',
                '2026-03-09T08:00:00Z',
                '',
                says: new TestTaken(verdict: Verdict::Passes, stage: TestStage::Installed),
            ),
        ]);
        $retests = Retests::due(ServiceFacts::of($in, (new Planner())->plan($in, $record)), $record);
        self::assertSame(
            [['A-2', '2026-09-09'], ['A-1', '']],
            array_map(static fn ($retest): array => [$retest->assembly, $retest->due], $retests),
        );
        self::assertTrue($retests[0]->isOverdue('2026-09-10'));
        self::assertFalse($retests[0]->isOverdue('2026-09-09'));
        self::assertSame(
            [],
            Retests::due(
                ServiceFacts::of(
                    Bench::microphone()->installation,
                    (new Planner())->plan(Bench::microphone()->installation),
                ),
                $record,
            ),
        );
    }

    public function test_each_gap_is_named_once_and_goes_when_it_is_mended(): void
    {
        $in = Bench::microphone()->installation;
        $kinds = static function (\Tests\Support\Crew $crew, Event ...$more) use ($in): array {
            $record = new Record([...$crew->record()->events(), ...$more]);
            $gaps = Readiness::in($in, (new Planner())->plan($in, $record), $record, [])->gaps();

            return array_map(static fn (Gap $gap): GapKind => $gap->kind, $gaps);
        };
        $crew = static fn (): \Tests\Support\Crew => new \Tests\Support\Crew($in);
        self::assertSame(
            [GapKind::NotMade, GapKind::NotLabelled, GapKind::NotInPlace, GapKind::Untested],
            $kinds($crew()),
        );
        self::assertSame(
            [GapKind::NotLabelled, GapKind::NotInPlace, GapKind::Untested],
            $kinds($crew()->cut('A-1')->terminate('A-1')),
        );
        $made = static fn (): \Tests\Support\Crew => $crew()
            ->cut('A-1')
            ->terminate('A-1')
            ->each(['A-1'], EventKind::Labelled)
            ->each(['A-1'], EventKind::Installed)
            ->test('A-1');
        self::assertSame([GapKind::UntestedInPlace], $kinds($made()));
        $at = '2026-03-10T08:00:00Z';
        $event = static fn (string $id, EventKind $kind, mixed ...$more): Event => new Event(
            '00000000-0000-4000-8000-0000000009'.$id,
            $kind,
            'A-1',
            null,
            'x',
            $at,
            $at,
            ...$more + ['fingerprint' => ''],
        );
        $plan = (new Planner())->plan($in)->reliedOn('A-1');
        $inPlace = $event(
            '01',
            EventKind::Tested,
            fingerprint: $plan->for(EventKind::Tested, null),
            says: new TestTaken(verdict: Verdict::Passes, stage: TestStage::Installed),
        );
        self::assertSame([], $kinds($made(), $inPlace));
        $asked = $event('02', EventKind::Asked, note: 'Which way round?');
        self::assertSame([GapKind::Question], $kinds($made(), $inPlace, $asked));
        self::assertSame(
            [],
            $kinds($made(), $inPlace, $asked, $event('03', EventKind::Answered, says: new Reply($asked->id))),
        );
        self::assertSame(
            [GapKind::Service],
            $kinds($made(), $inPlace, $event('04', EventKind::Reported, note: 'hums')),
        );
        self::assertSame(
            [GapKind::Failed],
            $kinds(
                $made(),
                $event(
                    '05',
                    EventKind::Tested,
                    fingerprint: $plan->for(EventKind::Tested, null),
                    says: new TestTaken(verdict: Verdict::Fails, stage: TestStage::Installed),
                ),
            ),
        );
    }

    public function test_mains_that_was_tested_by_somebody_without_a_licence_is_not_ready(): void
    {
        $request = Bench::request(
            'P-1',
            'composite',
            ['mains', 'analogue'],
            ['power-in-cable-mains', 'xlr3-female-cable-balanced'],
            ['power-out-cable-mains', 'xlr3-male-cable-balanced'],
        );
        $in = Bench::of($request)->installation;
        $record = (new \Tests\Support\Crew($in))->cut('P-1')->terminate('P-1')->test('P-1')->record();
        $plan = (new Planner())->plan($in, $record);
        $licence = static fn (string ...$licensed): array => array_filter(
            Readiness::in($in, $plan, $record, array_values($licensed))->gaps(),
            static fn (Gap $gap): bool => $gap->kind === GapKind::Licence,
        );
        self::assertCount(1, $licence());
        self::assertCount(1, $licence('somebody'));
        self::assertCount(0, $licence('ines'));
    }
}
