<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Ascending;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Experience;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Bench\Phase;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\TimeBook;
use Tests\Support\Procedures;

/** What a crew knows of the steps of procedures. The middle one of an odd number is the median of any handbook. */
final class ExperienceTest extends TestCase
{
    private static function operation(string $procedure = 'cup-3-pole', string $since = ''): Operation
    {
        return new Operation(
            StepId::ofEnd('A-1', Side::A, StepKind::Sheath),
            Task::Tin,
            'A-1',
            Side::A,
            'A-1 end A',
            'Tin the cores',
            Pace::Tin,
            Phase::Sheath,
            amount: 3.0,
            stage: $procedure === '' ? '' : 'cores-tin',
            procedure: $procedure,
            since: $since,
        );
    }

    /** @param  list<float>  $minutes */
    private static function book(array $minutes): TimeBook
    {
        return new TimeBook([
            'tin' => Ascending::of([0.2, 0.2, 0.2, 0.2, 0.2]),
            'tin cup-3-pole/cores-tin' => Ascending::of($minutes),
        ]);
    }

    public function test_times_are_roughly_the_same_until_one_is_another_by_a_tenth_or_is_new(): void
    {
        $five = self::book([0.7, 0.7, 0.7, 0.7, 0.7]);
        self::assertSame($five->roughly(), self::book([0.7, 0.7, 0.71, 0.9, 0.1])->roughly());
        self::assertSame($five->roughly(), self::book([0.7, 0.7, 0.7, 0.7, 0.7, 0.7])->roughly());
        foreach ([[0.7, 0.7, 0.7, 0.7], [0.8, 0.8, 0.8, 0.8, 0.8], [0.6, 0.6, 0.6, 0.6, 0.6]] as $others) {
            self::assertNotSame($five->roughly(), self::book($others)->roughly());
        }
        self::assertSame((new TimeBook())->roughly(), (new TimeBook(['tin' => Ascending::of([1.0])]))->roughly());
    }

    public function test_a_step_that_was_timed_often_enough_takes_its_own_time(): void
    {
        $few = self::book([1.0, 1.0, 1.0, 1.0]);
        self::assertEqualsWithDelta(0.6, $few->of(self::operation()), 1e-9, 'four are too few: three of all tinning');
        $enough = self::book([9.0, 0.7, 0.5, 0.6, 0.8]);
        self::assertEqualsWithDelta(3 * 0.7, $enough->of(self::operation()), 1e-9);
        self::assertEqualsWithDelta(0.6, $enough->of(self::operation('phono')), 1e-9, 'of another procedure');
        self::assertEqualsWithDelta(0.6, $enough->of(self::operation('')), 1e-9, 'of none');
        $none = new TimeBook();
        self::assertEqualsWithDelta(3 * Pace::Tin->minutes(), $none->of(self::operation()), 1e-9);
    }

    /** What is forecast is the sum of what each step takes. */
    public function test_a_sum_is_what_its_steps_take(): void
    {
        $book = self::book([0.7, 0.7, 0.7, 0.7, 0.7]);
        self::assertEqualsWithDelta(
            $book->of(self::operation()) + $book->of(self::operation('phono')) + $book->of(self::operation('')),
            $book->sum(['tin cup-3-pole/cores-tin' => 3.0, 'tin phono/cores-tin' => 3.0, 'tin' => 3.0]),
            1e-9,
        );
    }

    public function test_a_time_opens_into_what_it_rests_on(): void
    {
        $figure = self::book([0.7, 0.7, 0.7, 0.7, 0.7])->step(Pace::Tin, 'cup-3-pole/cores-tin');
        self::assertSame(0.7, $figure?->value);
        self::assertSame(
            ['standard', 'measured', 'this step'],
            array_map(static fn ($term): string => $term->label, $figure->terms),
        );
        self::assertNull(self::book([])->step(Pace::Tin, 'phono/cores-tin'));
    }

    public function test_of_a_procedure_it_is_said_what_was_found_at_its_ends(): void
    {
        $known = new Experience(
            self::book([0.7, 0.7]),
            ['cup-3-pole/dry joint' => 40, 'cup-3-pole/nicked' => 40],
            ['cup-3-pole/dry joint' => 3, 'phono/dry joint' => 9],
        );
        self::assertSame([3, 40], $known->found('cup-3-pole', 'dry joint'));
        self::assertSame([0, 40], $known->found('cup-3-pole', 'nicked'));
        self::assertNull($known->found('phono', 'dry joint'), 'of what nobody looked over, nothing is known');
        $steps = $known->of(Procedures::procedure('cup-3-pole'));
        self::assertSame(2, $known->timed(self::operation()));
        $tug = array_values(array_filter(
            Procedures::procedure('cup-3-pole')->steps,
            static fn ($step): bool => $step->catches === 'dry joint',
        ))[0];
        self::assertSame([3, 40], [$steps[$tug->id]->found, $steps[$tug->id]->looked]);
        self::assertNull($steps[$tug->id]->minutes);
        self::assertArrayNotHasKey('coil', $steps);
    }

    #[TestWith(['2026-03-09T14:09:59Z', false])]
    #[TestWith(['2026-03-09T14:10:00Z', true])]
    #[TestWith(['2026-03-09T15:30:00+01:30', false])]
    #[TestWith(['2026-03-09T15:40:00.5+01:30', true])]
    public function test_what_was_done_before_a_step_was_other_work_is_not_counted(string $at, bool $counts): void
    {
        $event = new Event('e', EventKind::Prepared, 'A-1', Side::A, 'x', $at, $at, '');
        self::assertSame($counts, self::operation(since: '2026-03-09T14:10:00Z')->counts($event));
        self::assertTrue(self::operation()->counts($event));
    }
}
