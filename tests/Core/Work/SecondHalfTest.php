<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\CoilTie;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\EndSheets;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;
use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\EndParts;
use Tests\Support\Bench;

/** The second half of a cable at the bench: the finished one is the pattern, and what is finished is coiled. */
final class SecondHalfTest extends TestCase
{
    private const FEMALE = 'xlr3-female-cable-balanced';

    private static function composite(): Bench
    {
        return Bench::of(Bench::request(
            'P-1',
            'composite',
            ['mains', 'analogue'],
            ['power-out-cable-mains', self::FEMALE],
            ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
        ));
    }

    /** @return list<Operation> */
    private static function of(Bench $bench, StepKind $kind, Side $side): array
    {
        $plan = $bench->plan();
        $operations = (new OperationPlanner($bench->installation))->of(
            $plan->assemblies[array_key_first($plan->assemblies)],
            $plan->runs,
        );

        return array_values(array_filter(
            $operations,
            static fn (Operation $each): bool => $each->step->kind === $kind && $each->side === $side,
        ));
    }

    public function test_it_is_plugged_into_the_finished_half_before_it_is_closed_and_tightened_with_it(): void
    {
        $bench = Bench::microphone();
        [$first, $second] = [
            self::of($bench, StepKind::Inspect, Side::A)[0],
            self::of($bench, StepKind::Inspect, Side::B)[0],
        ];
        self::assertStringNotContainsString('half that is finished', $first->check);
        self::assertStringContainsString('plugged into the half that is finished', strtolower($second->check));
        $closeA = self::of($bench, StepKind::Close, Side::A)[0];
        $closeB = self::of($bench, StepKind::Close, Side::B)[0];
        $waits = array_map(static fn ($need): string => $need->before, $second->needs);
        self::assertContains($closeA->id, $waits);
        self::assertNotContains($closeA->id, array_map(static fn ($need): string => $need->before, $first->needs));
        self::assertStringNotContainsString('Plug both halves together', $closeA->detail);
        self::assertStringContainsString('Plug both halves together and tighten the nut', $closeB->detail);
        self::assertStringNotContainsString('Coil', $closeA->detail);
        self::assertStringContainsString('Coil the cable', $closeB->detail);
        self::assertContains('mirrored', array_column($second->defects, 'name'));
        self::assertNotContains('mirrored', array_column($first->defects, 'name'));
    }

    public function test_what_is_made_in_place_or_does_not_meet_its_other_half_is_not_plugged_into_it(): void
    {
        $bench = Bench::microphone();
        $run = $bench->installation->theRun('A-1');
        $site = $bench->withRun(new Run(...['build' => Build::Site] + get_object_vars($run)));
        $equal = Bench::of(Bench::request('A-1', 'pair-foil', ['analogue'], [self::FEMALE], [self::FEMALE]));
        foreach ([[$site, false], [$equal, true]] as [$other, $isCoiled]) {
            $look = self::of($other, StepKind::Inspect, Side::B)[0];
            $close = self::of($other, StepKind::Close, Side::B)[0];
            self::assertStringNotContainsString('half', $look->check);
            self::assertStringNotContainsString('halves', $close->detail);
            self::assertSame($isCoiled, str_contains($close->detail, 'Coil the cable'));
        }
    }

    /** Mains and signal in one sheath: the signal is finished at both ends before mains is begun at either. */
    public function test_mains_waits_for_the_signal_at_both_ends(): void
    {
        $bench = self::composite();
        $plan = $bench->plan();
        $operations = Traveller::order(
            (new OperationPlanner($bench->installation))->of(
                $plan->assemblies[array_key_first($plan->assemblies)],
                $plan->runs,
            ),
            $bench->installation->rules(),
        )->operations;
        $closed = [];
        $begun = 0;
        foreach ($operations as $operation) {
            $fitting = $bench->installation->fitting($operation->fitting);
            $isMains = str_starts_with($fitting->connector ?? '', 'power');
            if (! $isMains && $operation->step->kind === StepKind::Close) {
                $closed[$operation->fitting] = true;
            } elseif ($isMains && $operation->leg !== '' && $operation->step->kind === StepKind::Make) {
                self::assertCount(2, $closed, $operation->id);
                $begun++;
            }
        }
        self::assertGreaterThan(4, $begun);
        $coiled = array_values(array_filter(
            $operations,
            static fn (Operation $each): bool => str_contains($each->detail, 'Coil the cable'),
        ));
        self::assertCount(1, $coiled);
        self::assertStringStartsWith(
            'power',
            $bench->installation->theFitting($coiled[0]->fitting)->connector,
        );
    }

    /**
     * A leg that is measured on the equipment is measured before it is cut, and cut to that and the 20 mm that its
     * connector takes; until somebody has, nobody says how long.
     */
    public function test_a_leg_is_cut_to_what_was_measured_on_the_equipment(): void
    {
        $bench = self::composite();
        $run = $bench->installation->theRun('P-1');
        $leg = $run->b->legs[1];
        foreach ([null, Length::millimetres(255)] as $measured) {
            $legs = [$run->b->legs[0], $leg->withLength(Length::millimetres(300))->reaching(true, $measured)];
            $with = $bench->withRun($run->withEnd(Side::B, $run->b->withLegs($legs)));
            $of = array_values(array_filter(
                [...self::of($with, StepKind::Make, Side::B)],
                static fn (Operation $each): bool => $each->leg === $leg->id,
            ));
            self::assertSame(Task::Measure, $of[0]->task);
            self::assertSame($measured?->canonical(), $of[0]->at?->canonical());
            self::assertSame('leg-cut', $of[1]->stage);
            self::assertSame($measured === null ? null : '275 mm', $of[1]->at?->canonical());
            self::assertSame($measured === null ? null : 2, $of[1]->sum === null ? null : count($of[1]->sum->terms));
            self::assertSame([$of[0]->id], array_intersect(
                [$of[0]->id],
                array_map(static fn ($need): string => $need->before, $of[1]->needs),
            ));
        }
        // 300 mm were opened: where 275 stay, 25 go, and the connector's own 20 of sheath are counted from there.
        $sheet = (new EndSheets($with->installation))->of(
            $with->installation->theRun('P-1'),
            Side::B,
            $with->plan()->runs->get('P-1'),
        );
        $made = $sheet?->fittings[1]->legs[0]->made;
        self::assertTrue($made?->made->isRight());
        self::assertSame('25 mm', $made->step('leg-cut')?->after->end->cut->canonical());
        self::assertFalse($sheet->fittings[0]->legs[0]->made?->step('measure') !== null);
    }

    /** One tie that opens again goes round a cable and stays there, at its female end, where the house wants it so. */
    public function test_a_cable_keeps_a_tie_at_its_female_end(): void
    {
        $ties = static function (Bench $bench): array {
            $found = [];
            $sheets = new EndSheets($bench->installation);
            foreach ($bench->installation->runs() as $run) {
                foreach (Side::cases() as $side) {
                    $leg = $sheets->of($run, $side, $bench->plan()->runs->get($run->id))?->fittings[0]->legs[0];
                    foreach ($leg->preparation->slides ?? [] as $slide) {
                        array_push($found, ...$slide->part->kind === PartKind::Tie ? [$side->value] : []);
                    }
                    self::assertTrue($leg?->made?->made->isRight());
                }
            }

            return $found;
        };
        $wanted = static fn (Bench $bench): Bench => $bench->with(
            rules: $bench->installation->rules()->with(CoilTie::One),
        );
        self::assertSame([], $ties(Bench::microphone()));
        $kept = $wanted(Bench::microphone());
        self::assertSame(['A'], $ties($kept));
        self::assertStringContainsString(
            'Put the tie round it',
            self::of($kept, StepKind::Close, Side::A)[0]->detail,
        );
        $asks = (new EndParts($kept->installation))->of(
            $kept->installation->theRun('A-1'),
            Side::A,
            $kept->plan()->runs->get('A-1'),
        );
        self::assertSame([1.0], array_values(array_map(
            static fn (Ask $ask): float => $ask->amount,
            array_filter($asks, static fn (Ask $ask): bool => $ask->id === 'tie-hook'),
        )));
        // Two plugs alike: at the end that is made last. A panel keeps none.
        self::assertSame(['B'], $ties($wanted(Bench::category())));
        self::assertSame(['B'], $ties($wanted(Bench::of(Bench::request(
            'A-1',
            'pair-foil',
            ['analogue'],
            ['xlr3-female-panel-balanced'],
            ['xlr3-male-cable-balanced'],
        )))));
    }
}
