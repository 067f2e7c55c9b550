<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Making\EndMaker;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Opening\EndOpener;
use Sartal\Core\Ends\Opening\OpenedEnd;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Ends\Workpiece\AsCut;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\CompositeSleeve;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;
use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\EndParts;
use Tests\Support\Bench;
use Tests\Support\Procedures;

/** A composite is opened once, by a procedure for all of it: sleeved, its legs cut, a boot on it. Common practice. */
final class OpeningTest extends TestCase
{
    /** @param  array{int, int}  $legs  mm: mains, signal */
    private static function bench(array $legs = [300, 300], CompositeSleeve $sleeve = CompositeSleeve::Whole): Bench
    {
        $bench = Bench::of(Bench::request(
            'P-1',
            'composite',
            ['mains', 'analogue'],
            ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
            ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
        ));
        $run = $bench->installation->theRun('P-1');
        foreach (Side::cases() as $side) {
            $end = $run->end($side);
            $run = $run->withEnd($side, $end->withLegs(array_map(
                static fn (Leg $leg): Leg => $leg->withLength(
                    Length::millimetres($legs[$leg->elements === ['mains'] ? 0 : 1]),
                ),
                $end->legs,
            )));
        }

        return $bench->withRun($run)->with(rules: $bench->installation->rules()->with($sleeve));
    }

    private static function opened(Bench $bench, Side $side): ?OpenedEnd
    {
        $in = $bench->installation;
        $run = $in->theRun('P-1');
        $cable = $in->catalogue->theCable($run->cable);

        return (new EndOpener($in))->of(
            $run,
            $side,
            $cable,
            (new EndMaker($in))->of($run, $side, $cable, PinoutMaker::make($in, $run, $side, $cable)->joints),
        );
    }

    /** @return iterable<string, array{array{int, int}, CompositeSleeve, Side}> */
    public static function ends(): iterable
    {
        foreach (CompositeSleeve::cases() as $sleeve) {
            foreach (Side::cases() as $side) {
                foreach (['equal' => [300, 300], 'signal longer' => [300, 375], 'unsaid' => [0, 0]] as $name => $legs) {
                    yield sprintf('%s, %s, %s', $sleeve->words(), $side->value, $name) => [$legs, $sleeve, $side];
                }
            }
        }
    }

    /** @param  array{int, int}  $legs */
    #[DataProvider('ends')]
    public function test_it_is_right_and_no_step_is_for_nothing(array $legs, CompositeSleeve $sleeve, Side $side): void
    {
        $end = self::opened(self::bench($legs, $sleeve), $side)?->made;
        self::assertNotNull($end);
        self::assertSame([], [...Procedures::lacks($end->made), ...$end->made->unmet]);
        $steps = Procedures::ids($end->made);
        $isSleeved = $sleeve === CompositeSleeve::Whole;
        foreach (['tape', 'sleeving-on', 'tape-off'] as $step) {
            self::assertSame($isSleeved && $side === Side::A, in_array($step, $steps, true), $step);
        }
        foreach (['sleeving-home', 'edge-shrunk', 'leg-sleeving-on'] as $step) {
            self::assertSame($isSleeved, in_array($step, $steps, true), $step);
        }
        self::assertContains('neck-shrunk', $steps);
        self::assertSame($legs[0] !== $legs[1], in_array('legs-cut', $steps, true));
        $station = $end->made->steps[0]->doing->station;
        $on = new Workpiece(AsCut::of(self::bench()->installation->catalogue->theCable('composite')));
        foreach ($end->made->steps as $step) {
            $without = Made::by(Procedures::without($end->procedure, $step->step->id), $on, $station);
            $isSame = $without->isRight() && serialize($without->result) === serialize($end->made->result);
            self::assertFalse($isSame, $step->step->id);
        }
    }

    /** 375 mm of sheath off; what is left of the mains leg, jacket and all that is in it, is 300 mm. */
    public function test_the_shorter_leg_is_cut_with_all_that_is_in_it(): void
    {
        $made = self::opened(self::bench([300, 375]), Side::B)?->made->made;
        $end = $made?->result->end;
        self::assertSame(375_000_000, $end?->piece(PieceKind::Sheath)?->edge->nanometres);
        foreach (['inner-sheath mains', 'metal mains/l', 'insulation mains/pe'] as $key) {
            self::assertSame(75_000_000, $end->pieces[$key]->edge->nanometres, $key);
        }
        foreach (['inner-sheath signal', 'metal signal/a', 'foil signal/foil'] as $key) {
            self::assertSame(0, $end->pieces[$key]->edge->nanometres, $key);
        }
    }

    /** Where nobody says how long its legs are, a foot of it comes off. */
    public function test_a_foot_comes_off_where_nothing_is_said(): void
    {
        $end = self::opened(self::bench([0, 0]), Side::B)?->made->made->result->end;
        self::assertSame(304_800_000, $end?->piece(PieceKind::Sheath)?->edge->nanometres);
    }

    public function test_what_has_no_jacket_of_its_own_or_is_one_piece_is_opened_by_no_such_procedure(): void
    {
        $bare = self::bench()->withCatalogueEdited(['cables.composite.construction.children.0.layers' => []]);
        self::assertNull(self::opened($bare, Side::A));
    }

    /** @return array<int|string, Operation> in the order of work */
    private static function operations(Bench $bench): array
    {
        $plan = $bench->plan();
        $of = (new OperationPlanner($bench->installation))->of(
            $plan->assemblies[array_key_first($plan->assemblies)],
            $plan->runs,
        );

        return Traveller::order($of, $bench->installation->rules())->operations;
    }

    public function test_at_the_bench_nothing_of_a_leg_is_begun_before_its_end_is_opened(): void
    {
        $opening = [];
        $sleeving = false;
        foreach (self::operations(self::bench([300, 375])) as $operation) {
            $side = $operation->side->value ?? '';
            if ($operation->fitting === '' && $operation->stage !== '') {
                $opening[$side][] = $operation->stage;
                $sleeving = $sleeving || $operation->stage === 'sleeving-on';
                self::assertTrue($sleeving || $side === 'A', 'the sleeving comes over end A before anything at B');
            } elseif ($operation->leg !== '' && $operation->step->kind === StepKind::Make) {
                self::assertContains('neck-shrunk', $opening[$side] ?? [], $operation->id);
            }
        }
        self::assertContains('sleeving-on', $opening['A']);
        self::assertNotContains('sleeving-on', $opening['B']);
        self::assertContains('legs-cut', $opening['B']);
    }

    /** Before the heat: sleeving, neck, boot and edge lie on end A in that order; of B the sleeving came from A. */
    public function test_what_has_to_lie_on_it_is_ticked_before_the_first_heat(): void
    {
        $gates = [];
        foreach (self::operations(self::bench()) as $operation) {
            if ($operation->task === Task::Gate && $operation->fitting === '') {
                $gates[$operation->side->value ?? ''] = $operation->lies;
            }
        }
        self::assertCount(5, $gates['A']);
        self::assertStringContainsString('sleeving', strtolower($gates['A'][0]));
        self::assertStringContainsString('oot', $gates['A'][2]);
        self::assertCount(4, $gates['B']);
    }

    /** Where end A is not opened, sleeving comes over B: nobody takes it to be there already. */
    public function test_sleeving_comes_over_the_end_that_is_opened(): void
    {
        $bench = self::bench();
        $run = $bench->installation->theRun('P-1');
        $bare = array_map(
            static fn (Leg $leg): Leg => new Leg($leg->id, $leg->label, $leg->elements, $leg->length, null),
            $run->a->legs,
        );
        foreach ([[], $bare, [$run->a->legs[0], $bare[1]]] as $legs) {
            $with = $bench->withRun($run->withEnd(Side::A, $run->a->withLegs($legs)));
            $end = self::opened($with, Side::B)?->made;
            self::assertNotNull($end);
            self::assertSame([], Procedures::lacks($end->made));
            self::assertContains('sleeving-on', Procedures::ids($end->made));
        }
    }

    /** 12.5 % more than the run is cut at, in steps of 10 mm: braid shortens as it opens (common practice). */
    public function test_sleeving_is_counted_by_the_metre_once(): void
    {
        $of = static function (Bench $bench): array {
            $plan = $bench->plan();
            $parts = new EndParts($bench->installation);
            $run = $bench->installation->theRun('P-1');
            $sums = [];
            foreach (Side::cases() as $side) {
                /** @var Ask $ask */
                foreach ($parts->of($run, $side, $plan->runs['P-1']) as $ask) {
                    $sums[$ask->id] = ($sums[$ask->id] ?? 0.0) + $ask->amount;
                }
            }

            return [$sums, $plan->runs['P-1']->cut->result->inMetres()];
        };
        [$sums, $cut] = $of(self::bench());
        self::assertEqualsWithDelta($cut * 1.125, $sums['sleeve-12'] ?? 0.0, 0.0101);
        // Two signal legs of 300 mm: 337.5, that is 340 mm each.
        self::assertEqualsWithDelta(0.68, $sums['sleeve-6'] ?? 0.0, 0.0001);
        self::assertSame(2.0, $sums['boot-two-tails'] ?? 0.0);
        [$bare] = $of(self::bench(sleeve: CompositeSleeve::None));
        self::assertArrayNotHasKey('sleeve-12', $bare);
        self::assertArrayNotHasKey('sleeve-6', $bare);
        self::assertSame(2.0, $bare['boot-two-tails'] ?? 0.0);
    }
}
