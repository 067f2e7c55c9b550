<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Ascending;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Work\Bench\CutTo;
use Sartal\Core\Work\Bench\Disposition;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Bench\Phase;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\ReworkPlanner;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\TimeBook;
use Sartal\Core\Work\Bench\Traveller;
use Tests\Support\Bench;
use Tests\Support\Panel;

/** Single steps at the bench: what they say, what they wait for, and what they cost when they are done again. */
final class StepsTest extends TestCase
{
    private static function traveller(Bench $bench): Traveller
    {
        $plan = $bench->plan();

        return Traveller::order(
            (new OperationPlanner($bench->installation))->of(
                $plan->assemblies[array_key_first($plan->assemblies)],
                $plan->runs,
            ),
            $bench->installation->rules(),
        );
    }

    /** @return list<Operation> */
    private static function of(Bench $bench, Task $task, ?Side $side = null): array
    {
        return array_values(
            array_filter(
                self::traveller($bench)->operations,
                static fn (Operation $each): bool => $each->task === $task && ($side === null || $each->side === $side),
            ),
        );
    }

    public function test_a_jumper_belongs_to_the_fitting_it_begins_at_and_comes_before_the_tug_of_both(): void
    {
        $panel = Panel::split();
        $turned = array_map(
            static fn (Link $link): Link => new Link($link->to, $link->from),
            $panel->installation->links(),
        );
        foreach ([$panel, $panel->with(links: $turned)] as $bench) {
            $operations = self::traveller($bench)->operations;
            $jumpers = array_filter($operations, static fn (Operation $each): bool => $each->phase === Phase::Link);
            self::assertCount(16, $jumpers);
            $begin = array_map(
                static fn (Link $link): ?string => Node::fitting(Node::named($link->from)),
                $bench->installation->links(),
            );
            self::assertEqualsCanonicalizing(
                $begin,
                array_map(static fn (Operation $each): string => $each->fitting, array_values($jumpers)),
            );
            // Each input is tugged once its own core and both jumpers are in, whichever way round they were entered.
            foreach ($operations as $tug) {
                if ($tug->task === Task::Tug && $tug->side === Side::A) {
                    $before = array_filter($tug->needs, static fn ($need): bool => isset($jumpers[$need->before]));
                    self::assertCount(2, $before, $tug->id);
                }
            }
        }
    }

    public function test_cores_are_ordered_where_contacts_are_pressed_through_and_cut_by_name_elsewhere(): void
    {
        $plug = array_map(
            static fn (Operation $each): string => $each->words,
            self::of(Bench::category(), Task::Dress, Side::A),
        );
        self::assertSame('Lay 8 cores side by side, in order', $plug[1]);
        $jack = Bench::of(Bench::request('A-1', 'pair-foil', ['analogue'], ['trs-balanced'], []));
        $named = static fn (Bench $bench): array => array_map(
            static fn (CutTo $cut): string => $cut->for,
            array_merge(...array_map(
                static fn (Operation $each): array => $each->lengths,
                self::of($bench, Task::Dress, Side::A),
            )),
        );
        // The screen is cut for itself, flush with its cores.
        self::assertEqualsCanonicalizing(['hot', 'cold'], $named($jack));
    }

    public function test_what_goes_on_first_and_what_covers_is_not_passed_over(): void
    {
        self::assertSame(
            [Task::Cover, Task::SlideOn],
            array_values(array_filter(Task::cases(), static fn (Task $task): bool => $task->isUnforgiving())),
        );
    }

    public function test_a_step_is_found_by_its_name_of_either_edition_and_by_no_other(): void
    {
        $traveller = self::traveller(Bench::microphone());
        foreach ($traveller->operations as $operation) {
            self::assertSame($operation, $traveller->find($operation->id));
            if ($operation->step->first !== '') {
                self::assertSame($operation->id, $traveller->find($operation->step->first)?->id);
            }
        }
        self::assertNull($traveller->find(''));
        self::assertNull($traveller->find('no such step'));
    }

    public function test_a_measured_time_counts_from_the_fifth_on_and_says_so(): void
    {
        $detail = static fn (int $count): string => (new TimeBook([
            Pace::Tug->value => Ascending::of(array_fill(0, $count, 9.0)),
        ]))->figure(Pace::Tug)->terms[1]->detail ?? '';
        self::assertSame('the middle one of 4; from 5 on it counts', $detail(4));
        self::assertSame('the middle one of 5', $detail(5));
        $book = static fn (int $count): float => (new TimeBook([
            Pace::Tug->value => Ascending::of(array_fill(0, $count, 9.0)),
        ]))->minutes(Pace::Tug);
        self::assertSame([Pace::Tug->minutes(), 9.0], [$book(4), $book(5)]);
    }

    private static function done(Operation $operation): Event
    {
        $at = '2026-03-09T08:00:00.000000Z';

        return new Event(
            'e '.$operation->id,
            $operation->task === Task::Test ? EventKind::Closed : $operation->task->event(),
            $operation->run,
            $operation->side,
            'ines',
            $at,
            $at,
            OperationFacts::fingerprint($operation),
            step: $operation->id,
        );
    }

    /** What is crimped or shrunk is lost with its end; what only slides along the cable is not. */
    public function test_an_end_that_is_made_again_costs_each_part_that_was_fixed_as_often_as_it_was(): void
    {
        $lost = static function (Bench $bench, Side $side): array {
            $operations = self::traveller($bench)->operations;
            $inspection = current(
                array_filter(
                    $operations,
                    static fn (Operation $each): bool => $each->task === Task::Inspect && $each->side === $side,
                ),
            );
            self::assertInstanceOf(Operation::class, $inspection);

            return (new ReworkPlanner($bench->installation))->of(
                $operations,
                new Progress($operations, array_values(array_map(self::done(...), $operations))),
                $inspection,
                Disposition::Remake,
            )->scraps;
        };
        self::assertSame(72, $lost(Bench::stageBox(), Side::B)['contact-rect-male-fine'] ?? 0);
        self::assertSame(['ferrule-coax-large' => 1, 'bnc75-plug' => 1], $lost(Bench::coax(), Side::A));
        self::assertSame([], $lost(Bench::microphone(), Side::A), 'boot and chuck are used again');
    }

    public function test_a_label_says_which_end_and_which_tail_it_is_of(): void
    {
        $places = static fn (Bench $bench): array => array_map(
            static fn (Operation $each): string => $each->place,
            self::of($bench, Task::Label),
        );
        self::assertEqualsCanonicalizing(['A-1 end A', 'A-1 end B'], $places(Bench::microphone()));
        $box = $places(Bench::stageBox());
        self::assertContains('M-1 end A', $box);
        self::assertContains('M-1 end A, tail 24', $box);
        self::assertContains('M-1 end B', $box);
        self::assertCount(26, $box);
    }

    /** Common practice; the terminal's leaflet and local code are above it. */
    public function test_earth_and_the_drain_of_mains_get_one_ferrule_that_is_rated_for_both(): void
    {
        $parts = $together = $ids = [];
        foreach (self::traveller(Bench::drainWithEarth())->operations as $each) {
            if (str_contains($each->id, '|A|') && str_contains($each->part, 'bootlace')) {
                $parts[$each->address] = $each->part;
            }
            $ids[] = $each->id;
            if (str_starts_with($each->id, 'P-1|A|leg-1|') && str_contains($each->words, 'green/yellow')) {
                $together[] = $each->words;
            }
        }
        ksort($parts);
        self::assertSame(['L' => 'bootlace-1-5', 'N' => 'bootlace-1-5', 'PE' => 'bootlace-twin-1-5'], $parts);
        self::assertSame(['Cut the green/yellow core and the drain to length'], $together);
        self::assertContains('P-1|A|leg-1|make|drain-sleeve', $ids, 'It is bare, and passes live terminals.');
        self::assertNotContains('P-1|A|leg-1|make|drain-off', $ids);
    }
}
