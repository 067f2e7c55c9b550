<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Flag;
use Sartal\Core\Proof\Record\Flagged;
use Sartal\Core\Proof\Record\Reply;
use Sartal\Core\Proof\Record\SentBack;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Verdict;
use Sartal\Core\Work\Bench\Disposition;
use Sartal\Core\Work\Bench\Flaw;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Rework;
use Sartal\Core\Work\Bench\ReworkPlanner;
use Sartal\Core\Work\Bench\Status;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;
use Tests\Support\Bench;

/** Where a job stands, read from what was recorded; and what a flaw sends it back to. */
final class BenchProgressTest extends TestCase
{
    private int $count = 0;

    /** @return array<string, Operation> */
    private static function operations(Bench $bench): array
    {
        $plan = $bench->plan();

        return Traveller::order(
            (new OperationPlanner($bench->installation))->of(
                $plan->assemblies[array_key_first($plan->assemblies)],
                $plan->runs,
            ),
            $bench->installation->rules(),
        )->operations;
    }

    private function event(EventKind $kind, string $run, ?Side $side = null, mixed ...$more): Event
    {
        $id = sprintf('00000000-0000-4000-8000-%012d', ++$this->count);
        $at = sprintf('2026-03-09T08:%02d:%02d.000000Z', intdiv($this->count, 60), $this->count % 60);

        return new Event(
            ...$more + [
                'id' => $id,
                'kind' => $kind,
                'run' => $run,
                'side' => $side,
                'by' => 'ines',
                'at' => $at,
                'received' => $at,
                'fingerprint' => '',
            ],
        );
    }

    private function confirm(Operation $operation, mixed ...$more): Event
    {
        return $this->event(
            $operation->task->event(),
            $operation->run,
            $operation->side,
            ...$more + ['step' => $operation->id, 'fingerprint' => OperationFacts::fingerprint($operation)],
        );
    }

    public function test_the_place_is_the_first_that_is_not_done(): void
    {
        $operations = self::operations(Bench::stageBox());
        $events = [];
        foreach ($operations as $operation) {
            $progress = new Progress($operations, $events);
            self::assertContains(
                $operation->id,
                array_map(static fn (Operation $open): string => $open->id, $progress->open()),
                'what comes next in the order can be done',
            );
            self::assertSame(count($events), $progress->settled());
            $events[] = $this->confirm($operation);
            if (count($events) > 60) {
                break;
            }
        }
        $all = array_map(fn (Operation $operation): Event => $this->confirm($operation), array_values($operations));
        $test = array_pop($all);
        self::assertSame(EventKind::Tested, $test?->kind);
        $progress = new Progress($operations, [
            ...$all,
            $this->event(EventKind::Tested, 'M-1', null, says: new TestTaken(verdict: Verdict::Fails)),
        ]);
        self::assertSame(
            [Task::Test],
            array_map(static fn (Operation $operation): Task => $operation->task, $progress->open()),
        );
        self::assertSame(
            [],
            (new Progress($operations, [
                ...$all,
                $this->event(EventKind::Tested, 'M-1', null, says: new TestTaken(verdict: Verdict::Passes)),
            ]))->open(),
        );
    }

    public function test_nothing_is_open_before_what_it_needs(): void
    {
        $operations = self::operations(Bench::microphone());
        $progress = new Progress($operations, []);
        self::assertSame(
            ['A-1|cut'],
            array_map(static fn (Operation $operation): string => $operation->id, $progress->open()),
        );
        $join = self::first($operations, Task::Join);
        self::assertNotSame([], $progress->waitsFor($join));
        self::assertNotSame('', $progress->waitsFor($join)[0]->why);
    }

    public function test_taken_back_flagged_and_skipped(): void
    {
        $operations = self::operations(Bench::microphone());
        $cut = $operations['A-1|cut'];
        $join = self::first($operations, Task::Join);
        $status = fn (Event ...$events): Status => (new Progress($operations, array_values($events)))->of($join->id)
            ->status;
        $done = $this->confirm($join);
        self::assertSame(Status::Done, $status($done));
        self::assertSame(
            Status::ToDo,
            $status($done, $this->event(EventKind::TakenBack, 'A-1', Side::A, step: $join->id)),
        );
        self::assertSame(
            Status::ToDo,
            $status(
                $done,
                $this->event(EventKind::Flagged, 'A-1', Side::A, step: $join->id, says: new Flagged(Flag::Damaged)),
            ),
        );
        self::assertSame(
            Status::Done,
            $status(
                $done,
                $this->event(EventKind::Flagged, 'A-1', Side::A, step: $join->id, says: new Flagged(Flag::Redone)),
            ),
        );
        self::assertSame(
            Status::Done,
            $status(
                $done,
                $this->event(EventKind::Flagged, 'A-1', Side::A, step: $join->id, says: new Flagged(Flag::Extracted)),
                $this->confirm($join),
            ),
            'extracted, then seated again',
        );
        self::assertSame(
            Status::Skipped,
            $status($this->event(EventKind::Skipped, 'A-1', Side::A, step: $join->id, note: 'none in the drawer')),
        );
        self::assertSame(
            Status::Overtaken,
            $status(
                $this->event(EventKind::ContactJoined, 'A-1', Side::A, step: $join->id, fingerprint: 'of another plan'),
            ),
        );
        self::assertSame(
            Status::Done,
            (new Progress($operations, [$this->event(EventKind::Cut, 'A-1')]))->of($cut->id)->status,
        );
    }

    public function test_an_end_recorded_at_once_is_done_as_far_as_that_speaks_of_it(): void
    {
        $operations = self::operations(Bench::microphone());
        $progress = new Progress($operations, [$this->event(EventKind::Joined, 'A-1', Side::A)]);
        foreach ($operations as $operation) {
            $whole = in_array($operation->task, [Task::Cut, Task::Mark], true);
            $label = $operation->task === Task::Label;
            self::assertSame(
                $whole || ($operation->side === Side::A && ! $label) ? Status::Done : Status::ToDo,
                $progress->of($operation->id)->status,
                $operation->id,
            );
        }
    }

    public function test_an_end_is_made_when_the_last_of_it_is_and_is_not_when_one_is_taken_back(): void
    {
        $operations = self::operations(Bench::microphone());
        $events = [];
        foreach ($operations as $operation) {
            if ($operation->side === Side::A || $operation->side === null) {
                $events[] = $this->confirm($operation);
            }
        }
        $keys = static fn (array $of): array => array_keys(
            (new Progress($operations, array_values($of)))->milestones(),
        );
        self::assertSame(
            ['cut|A-1|', 'joined|A-1|A'],
            $keys(array_slice($events, 0, -1)),
            'the other end is not, and labels count for the run',
        );
        self::assertSame(
            ['cut|A-1|'],
            $keys([
                ...$events,
                $this->event(EventKind::TakenBack, 'A-1', Side::A, step: self::first($operations, Task::Tin)->id),
            ]),
        );
        $all = array_map(fn (Operation $operation): Event => $this->confirm($operation), array_values($operations));
        self::assertEqualsCanonicalizing(
            ['cut|A-1|', 'joined|A-1|A', 'joined|A-1|B', 'inspected|A-1|', 'labelled|A-1|'],
            $keys($all),
        );
    }

    /** An inspection that was passed over is no inspection; an end without its boot is an end, and shows it. */
    public function test_what_was_left_out_fills_no_bead_of_its_own(): void
    {
        $operations = self::operations(Bench::microphone());
        $with = fn (Task ...$skipped): array => array_keys(
            (new Progress(
                $operations,
                array_map(
                    fn (Operation $operation): Event => in_array($operation->task, $skipped, true)
                        ? $this->event(
                            EventKind::Skipped,
                            $operation->run,
                            $operation->side,
                            step: $operation->id,
                            note: 'later',
                        )
                        : $this->confirm($operation),
                    array_values($operations),
                ),
            ))->milestones(),
        );
        self::assertEqualsCanonicalizing(
            ['cut|A-1|', 'joined|A-1|A', 'joined|A-1|B', 'inspected|A-1|', 'labelled|A-1|'],
            $with(Task::SlideOn),
        );
        self::assertEqualsCanonicalizing(
            ['cut|A-1|', 'joined|A-1|A', 'joined|A-1|B', 'labelled|A-1|'],
            $with(Task::Inspect),
        );
        self::assertEqualsCanonicalizing(
            ['joined|A-1|A', 'joined|A-1|B', 'inspected|A-1|'],
            $with(Task::Cut, Task::Label),
        );
    }

    public function test_a_hold_stands_until_it_is_lifted_and_a_question_until_it_is_answered(): void
    {
        $operations = self::operations(Bench::microphone());
        $hold = $this->event(EventKind::Held, 'A-1', null, note: 'wrong cable delivered');
        $question = $this->event(EventKind::Asked, 'A-1', null, note: 'Drain to the shell?');
        $progress = new Progress($operations, [$hold, $question]);
        self::assertSame([$hold], $progress->holds());
        self::assertNull($progress->questions()[0]['answer']);
        $answer = $this->event(EventKind::Answered, 'A-1', null, says: new Reply($question->id), note: 'No.');
        $progress = new Progress($operations, [
            $hold,
            $question,
            $answer,
            $this->event(EventKind::Lifted, 'A-1', null, says: new Reply($hold->id)),
        ]);
        self::assertSame([], $progress->holds());
        self::assertSame($answer, $progress->questions()[0]['answer']);
    }

    /** @return array{array<string, Operation>, Rework, array<string, Status>} */
    private function reworked(Bench $bench, Side $side, Disposition $remedy, bool $oneJoint = false): array
    {
        $operations = self::operations($bench);
        $events = array_map(
            fn (Operation $operation): Event => $operation->task === Task::Test
                ? $this->event(EventKind::Tested, $operation->run, says: new TestTaken(verdict: Verdict::Passes))
                : $this->confirm($operation),
            array_values($operations),
        );
        $inspect = self::first($operations, Task::Inspect, $side);
        $join = $oneJoint ? self::first($operations, Task::Join, $side)->id : null;
        $rework = (new ReworkPlanner($bench->installation))->of(
            $operations,
            new Progress($operations, $events),
            $inspect,
            $remedy,
            $join,
        );
        $after = new Progress($operations, [
            ...$events,
            $this->event(
                EventKind::Reworked,
                $inspect->run,
                $side,
                step: $inspect->id,
                says: new SentBack($rework->reopens),
            ),
        ]);

        return [
            $operations,
            $rework,
            array_map(static fn (Operation $operation): Status => $after->of($operation->id)->status, $operations),
        ];
    }

    /** @param  array<string, Operation>  $operations */
    private static function first(array $operations, Task $task, Side $side = Side::A): Operation
    {
        foreach ($operations as $operation) {
            if ($operation->task === $task && ($operation->side === $side || $operation->side === null)) {
                return $operation;
            }
        }
        self::fail('no '.$task->value);
    }

    /** @return array<string, int> */
    private static function tasks(array $operations, Rework $rework): array
    {
        return array_count_values(
            array_map(static fn (string $id): string => $operations[$id]->task->value, $rework->reopens),
        );
    }

    public function test_one_contact_is_extracted_and_the_other_seventy_one_stay(): void
    {
        [$operations, $rework] = $this->reworked(Bench::stageBox(), Side::B, Disposition::Rework, oneJoint: true);
        self::assertSame(
            ['crimp' => 1, 'join' => 1, 'inspect' => 1, 'close' => 1, 'test' => 1],
            self::tasks($operations, $rework),
        );
        self::assertSame(['contact-rect-male-fine' => 1], $rework->scraps);
        self::assertFalse($rework->cutsBack);
    }

    /** What a procedure looks for goes back to what made it: ends.md, "what is undone, what is scrap". */
    public function test_what_was_found_goes_back_to_what_made_it(): void
    {
        $found = function (Bench $bench, string ...$defects): Rework {
            $plan = $bench->plan();
            $operations = Traveller::order(
                (new OperationPlanner($bench->installation))->of(array_values($plan->assemblies)[0], $plan->runs),
                $bench->installation->rules(),
            )->operations;
            $looks = array_filter(
                $operations,
                static fn (Operation $each): bool => $each->task === Task::Inspect && $each->side === Side::A,
            );
            $look = end($looks);
            self::assertInstanceOf(Operation::class, $look);
            $before = [];
            foreach ($operations as $operation) {
                if ($operation === $look) {
                    break;
                }
                $before[] = $this->confirm($operation);
            }

            return (new ReworkPlanner($bench->installation))->of(
                $operations,
                new Progress($operations, $before),
                $look,
                Disposition::Rework,
                defects: array_values($defects),
            );
        };
        $dry = $found(Bench::microphone(), 'dry joint');
        self::assertFalse($dry->cutsBack);
        self::assertSame([], $dry->scraps);
        self::assertCount(4, $dry->reopens, 'three joints and the tug');
        $nicked = $found(Bench::microphone(), 'nicked', 'dry joint');
        self::assertTrue($nicked->cutsBack, 'what was cut is not undone');
        self::assertSame(Disposition::Remake, $nicked->remedy);
        // Before the stroke a plug costs nothing: its cores come out and are ordered again.
        $order = $found(Bench::category(), 'order');
        self::assertFalse($order->cutsBack);
        self::assertArrayNotHasKey('8p8c-plug', $order->scraps);
        self::assertNotSame([], $order->reopens);
    }

    public function test_a_solder_joint_is_made_again_and_costs_nothing(): void
    {
        [$operations, $rework, $after] = $this->reworked(
            Bench::microphone(),
            Side::A,
            Disposition::Rework,
            oneJoint: true,
        );
        self::assertSame(
            ['join' => 1, 'tug' => 1, 'inspect' => 1, 'close' => 2, 'test' => 1],
            self::tasks($operations, $rework),
        );
        self::assertSame([], $rework->scraps);
        self::assertSame(Status::Done, $after[self::first($operations, Task::SlideOn)->id], 'the boot stays on');
    }

    public function test_a_plug_that_was_pressed_through_is_scrap_whatever_was_asked(): void
    {
        [$operations, $rework, $after] = $this->reworked(Bench::category(), Side::B, Disposition::Rework);
        self::assertSame(Disposition::Remake, $rework->remedy);
        self::assertSame(['8p8c-plug' => 1], $rework->scraps);
        self::assertTrue($rework->cutsBack);
        self::assertSame(Status::Done, $after[self::first($operations, Task::SlideOn, Side::B)->id]);
        self::assertSame(Status::ToDo, $after[self::first($operations, Task::Strip, Side::B)->id]);
        self::assertSame(
            Status::Done,
            $after[self::first($operations, Task::Join, Side::A)->id],
            'the other end is left alone',
        );
    }

    public function test_a_crimped_ferrule_is_scrap_and_a_new_one_slides_on(): void
    {
        [$operations, $rework, $after] = $this->reworked(Bench::coax(), Side::A, Disposition::Remake);
        self::assertSame(['ferrule-coax-large' => 1, 'bnc75-plug' => 1], $rework->scraps);
        $slides = array_filter(
            $operations,
            static fn (Operation $operation): bool => $operation->task === Task::SlideOn &&
                        $operation->side === Side::A,
        );
        self::assertSame(
            ['boot-bnc-black' => Status::Done, 'ferrule-coax-large' => Status::ToDo],
            array_combine(
                array_map(static fn (Operation $operation): string => $operation->part, $slides),
                array_map(static fn (string $id): Status => $after[$id], array_keys($slides)),
            ),
        );
    }

    public function test_a_jack_reopens(): void
    {
        [$operations, $rework] = $this->reworked(
            Bench::of(Bench::request('C-1', 'cat6-utp', ['network'], ['8p8c-jack-t568b'], ['8p8c-plug-t568b'])),
            Side::A,
            Disposition::Rework,
        );
        self::assertSame(8, self::tasks($operations, $rework)['join']);
        self::assertSame([], $rework->scraps);
        self::assertStringContainsString('used again', implode($rework->survives));
    }

    public function test_it_says_when_no_spare_length_is_left(): void
    {
        $bench = Bench::microphone();
        $run = $bench->installation->runs()['A-1'];
        $with = static fn (int $spares): Bench => $bench->withRun(
            new Run(...['a' => new End(...['spares' => $spares] + get_object_vars($run->a))] + get_object_vars($run)),
        );
        self::assertSame(0, $this->reworked($with(1), Side::A, Disposition::Remake)[1]->sparesLeft);
        [, $none] = $this->reworked($with(0), Side::A, Disposition::Remake);
        self::assertSame(-1, $none->sparesLeft);
        self::assertStringContainsString('No spare length is left', $none->words);
        self::assertNull($this->reworked($with(0), Side::A, Disposition::Rework)[1]->sparesLeft, 'nothing is cut');
    }

    public function test_a_second_remake_counts_the_first(): void
    {
        $bench = Bench::microphone();
        $run = $bench->installation->runs()['A-1'];
        $bench = $bench->withRun(
            new Run(...['a' => new End(...['spares' => 2] + get_object_vars($run->a))] + get_object_vars($run)),
        );
        $operations = self::operations($bench);
        $events = array_map(fn (Operation $operation): Event => $this->confirm($operation), array_values($operations));
        $inspect = self::first($operations, Task::Inspect);
        $planner = new ReworkPlanner($bench->installation);
        foreach ([1, 0, -1] as $left) {
            $rework = $planner->of($operations, new Progress($operations, $events), $inspect, Disposition::Remake);
            self::assertSame($left, $rework->sparesLeft);
            $events[] = $this->event(
                EventKind::Reworked,
                'A-1',
                Side::A,
                step: $inspect->id,
                says: new SentBack($rework->reopens),
            );
            foreach ($rework->reopens as $id) {
                $events[] = $this->confirm($operations[$id]);
            }
        }
    }

    public function test_accepting_changes_nothing(): void
    {
        [, $rework] = $this->reworked(Bench::microphone(), Side::A, Disposition::Accept);
        self::assertSame([[], [], false], [$rework->reopens, $rework->scraps, $rework->cutsBack]);
    }

    /** @return iterable<string, array{?Joining}> */
    public static function joinings(): iterable
    {
        foreach ([...Joining::cases(), null] as $joining) {
            yield $joining->value ?? 'shell' => [$joining];
        }
    }

    #[DataProvider('joinings')]
    public function test_every_way_of_joining_has_its_own_short_list(?Joining $joining): void
    {
        $flaws = Flaw::at($joining, HazardDomain::Signal);
        self::assertGreaterThanOrEqual(4, count($flaws));
        self::assertLessThanOrEqual(10, count($flaws), 'nobody reads a long one');
        self::assertContains(Flaw::EarthNotLongest, Flaw::at($joining, HazardDomain::Mains));
        foreach ($flaws as $flaw) {
            self::assertNotSame('', $flaw->why());
            self::assertNotSame('', $flaw->words());
        }
    }

    public function test_every_flaw_is_looked_for_somewhere(): void
    {
        $looked = array_merge(
            ...array_map(static fn (?Joining $joining): array => Flaw::at($joining, HazardDomain::Mains), [
                ...Joining::cases(),
                null,
            ]),
        );
        foreach (Flaw::cases() as $flaw) {
            self::assertContains($flaw, $looked, $flaw->value);
        }
        self::assertSame(Disposition::Remake, Flaw::Strand->usual());
        self::assertSame(Disposition::Accept, Flaw::Wicked->usual());
    }
}
