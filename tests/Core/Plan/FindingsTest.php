<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Plan\Proposing\RunRequest;
use Tests\Support\Bench;

/** Each rule of the trade that is broken here is found once, with words and a remedy. */
final class FindingsTest extends TestCase
{
    /** @return list<string> */
    private static function codes(Bench $bench): array
    {
        $codes = [];
        foreach ($bench->plan()->findings() as $finding) {
            self::assertNotSame('', $finding->words);
            self::assertNotSame('', $finding->remedy);
            $codes[] = $finding->code;
        }

        return $codes;
    }

    private static function withEndB(Bench $bench, string $id, callable $change): Bench
    {
        $run = $bench->installation->runs()[$id];

        return $bench->withRun(
            new Run(
                $run->id,
                $run->code,
                $run->cable,
                $run->build,
                $run->a,
                $change($run->b),
                $run->ways,
                $run->carries,
            ),
        );
    }

    private static function joined(End $end, HandJoint ...$joints): End
    {
        return new End(
            $end->location,
            $end->tail,
            $end->slack,
            $end->preparation,
            $end->spares,
            $end->legs,
            array_values($joints),
            $end->unused,
        );
    }

    public function test_the_usual_runs_have_none(): void
    {
        foreach ([Bench::microphone(), Bench::category(), Bench::coax()] as $bench) {
            self::assertSame([], self::codes($bench));
        }
    }

    public function test_a_code_used_twice(): void
    {
        $plans = [['xlr3-female-cable-balanced'], ['xlr3-male-cable-balanced']];
        $bench = Bench::of(
            Bench::request('one', 'pair-foil', ['analogue'], ...[...$plans, 'A-1']),
            Bench::request('two', 'pair-foil', ['analogue'], ...[...$plans, 'A-1']),
        );
        self::assertSame(['run.code-twice', 'run.code-twice'], self::codes($bench));
    }

    public function test_one_contact_with_two_functions(): void
    {
        $bench = self::withEndB(
            Bench::microphone(),
            'A-1',
            static fn (End $end): End => self::joined($end, new HandJoint('p1/b', 'A-1.b1/2', 'slip')),
        );
        self::assertSame(['contact.two-functions'], self::codes($bench));
        $declared = $bench->with(
            fittings: ['A-1.b1' => new Fitting('A-1.b1', 'A-1 B', 'xlr3-male-cable', 'there', [], ['2'])] +
                $bench->installation->fittings(),
        );
        self::assertSame([], self::codes($declared));
    }

    /** A conductor that serves nothing is told by what it is and whose. */
    public function test_a_drain_beside_an_earth_is_named(): void
    {
        $bench = self::withEndB(
            Bench::of(
                Bench::request('M-1', 'composite', ['mains'], [], ['power-out-cable-mains']),
            ),
            'M-1',
            static fn (End $end): End => self::joined($end, new HandJoint('signal/drain', 'M-1.b1/PE', 'to earth')),
        );
        self::assertSame(
            'Contact PE of M-1 B has the earth of channel 1 and the drain of M-1, which serves nothing by the plan.',
            array_column($bench->plan()->findings(), 'words', 'code')['contact.two-functions'] ?? '',
        );
    }

    public function test_one_function_on_two_contacts(): void
    {
        $quad = Bench::of(
            Bench::request(
                'A-1',
                'star-quad',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        );
        $bench = self::withEndB(
            $quad,
            'A-1',
            static fn (End $end): End => self::joined($end, new HandJoint('q1/3', 'A-1.b1/1', 'slip')),
        );
        self::assertContains('function.on-two-contacts', self::codes($bench));
    }

    public function test_a_plan_that_claims_a_contact_twice(): void
    {
        $bench = Bench::microphone();
        $plan = new ContactPlan('xlr3-male-cable-balanced', 'Slip', 'xlr3-male-cable', [
            '1' => ['hot' => '2', 'cold' => '2', 'screen' => '1'],
        ]);
        $all = $bench->installation->catalogue;
        $codes = self::codes(
            $bench->with(
                catalogue: new Catalogue(
                    $all->cables(),
                    $all->connectors(),
                    $all->signals(),
                    [$plan->id => $plan] + $all->plans(),
                ),
            ),
        );
        self::assertContains('plan.contact-twice', $codes);
        self::assertContains('contact.two-functions', $codes);
    }

    public function test_two_cable_ends_on_one_contact_must_be_declared(): void
    {
        $plans = [['xlr3-female-cable-balanced'], ['xlr3-male-cable-balanced']];
        $bench = Bench::of(
            Bench::request('one', 'pair-foil', ['analogue'], ...$plans),
            Bench::request('two', 'pair-foil', ['analogue'], ...$plans),
        );
        $run = $bench->installation->runs()['two'];
        $leg = $run->b->legs[0];
        $both = $bench->withRun(
            new Run(
                'two',
                'two',
                $run->cable,
                $run->build,
                $run->a,
                new End('there', $run->b->tail, $run->b->slack, $run->b->preparation, 0, [
                    new Leg(
                        $leg->id,
                        '1',
                        [''],
                        $leg->length,
                        new Landing('one.b1', 'xlr3-male-cable-balanced', ['' => '1']),
                    ),
                ]),
                $run->ways,
                $run->carries,
            ),
        );
        self::assertSame(['contact.shared-undeclared'], array_values(array_unique(self::codes($both))));
        self::assertCount(1, $both->plan()->assemblies, 'they are one assembly now');
    }

    public function test_an_unknown_contact_and_too_many_wires(): void
    {
        $unknown = self::withEndB(
            Bench::microphone(),
            'A-1',
            static fn (End $end): End => self::joined($end, new HandJoint('p1/b', 'A-1.b1/9', 'slip')),
        );
        self::assertSame(['contact.unknown'], self::codes($unknown));
        $crowd = self::withEndB(
            Bench::category(),
            'C-1',
            static fn (End $end): End => self::joined($end, new HandJoint('p1/a', 'C-1.b1/4', 'slip')),
        );
        self::assertContains('contact.too-many-wires', self::codes($crowd));
    }

    public function test_mains_never_lands_in_a_signal_connector(): void
    {
        $bench = Bench::of(
            Bench::request(
                'P-1',
                'composite',
                ['mains', 'analogue'],
                ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
                ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
            ),
        );
        self::assertSame([], self::codes($bench));
        self::assertCount(2, $bench->installation->runs()['P-1']->b->legs);
        $mixed = self::withEndB(
            $bench,
            'P-1',
            static fn (End $end): End => self::joined($end, new HandJoint('mains/l', 'P-1.b2/2', 'slip')),
        );
        self::assertContains('contact.hazard', self::codes($mixed));
    }

    public function test_a_cable_without_the_conductor_that_a_signal_needs(): void
    {
        $bench = Bench::microphone();
        $run = $bench->installation->runs()['A-1'];
        $without = $bench->withRun(
            new Run('A-1', 'A-1', 'coax-75-12g', $run->build, $run->a, $run->b, $run->ways, $run->carries),
        );
        self::assertContains('function.no-conductor', self::codes($without));
        $said = array_filter(
            $without->plan()->findings(),
            static fn (Finding $finding): bool => $finding->code === 'function.no-conductor',
        );
        self::assertStringContainsString('in "the whole cable"', array_values($said)[0]->words);
    }

    public function test_unknown_things_are_named(): void
    {
        $bench = Bench::microphone();
        $run = $bench->installation->runs()['A-1'];
        $lost = new Run(
            'A-1',
            'A-1',
            'nothing-such',
            $run->build,
            $run->a,
            $run->b,
            ['nowhere'],
            $run->carries,
            'no-loom',
        );
        $codes = self::codes($bench->withRun($lost));
        foreach (['run.unknown-cable', 'run.unknown-way', 'run.unknown-loom'] as $code) {
            self::assertContains($code, $codes);
        }
        self::assertContains('leg.unknown-fitting', self::codes($bench->with(fittings: [])));
        self::assertContains('end.unknown-location', self::codes($bench->with(locations: [])));
    }

    public function test_matings_are_compared_contact_by_contact(): void
    {
        $bench = Bench::microphone();
        $device = static fn (string $connector, string $plan): array => [
            'mixer' => new Equipment('mixer', 'Mixer', 'there', [new Port('in', 'in', $connector, $plan)]),
        ];
        $mated = static fn (string $connector, string $plan, int $times = 1): Bench => $bench->with(
            equipment: $device($connector, $plan),
            matings: array_fill(0, $times, new Mating('A-1.b1', 'mixer:in')),
        );
        self::assertSame([], self::codes($mated('xlr3-female-panel', 'xlr3-female-panel-balanced')));
        self::assertSame(['mating.does-not-fit'], self::codes($mated('xlr3-male-panel', 'xlr3-male-panel-balanced')));
        self::assertSame(['mating.taken'], self::codes($mated('xlr3-female-panel', 'xlr3-female-panel-balanced', 2)));
        $all = $bench->installation->catalogue;
        $other = new ContactPlan('odd', 'Odd', 'xlr3-female-panel', [
            '1' => ['hot' => '3', 'cold' => '2', 'screen' => '1'],
        ]);
        $swapped = $mated('xlr3-female-panel', 'odd')->with(
            catalogue: new Catalogue(
                $all->cables(),
                $all->connectors(),
                $all->signals(),
                ['odd' => $other] + $all->plans(),
            ),
        );
        self::assertSame(['mating.function', 'mating.function'], self::codes($swapped));
    }

    public function test_a_modular_connector_unfolds_to_nested_addresses(): void
    {
        $catalogue = Bench::microphone()->installation->catalogue;
        $fitting = new Fitting('m', 'M', 'modular-frame-4', 'here', [
            '1' => 'modular-insert-audio-6',
            '3' => 'modular-insert-coax-2',
            '9' => 'modular-insert-coax-2',
            '2' => 'bnc75-plug',
        ]);
        $layout = FittingLayout::unfolded($fitting, $catalogue);
        self::assertNotNull($layout);
        self::assertTrue($layout->has('1/6'));
        self::assertTrue($layout->has('3/a.centre'));
        self::assertTrue($layout->has('2/shell'));
        self::assertFalse($layout->has('4/1'));
        self::assertCount(2, $layout->unfit, 'a bay that is not there, and an insert of another family');
        self::assertEqualsWithDelta(-30 - 4, $layout->cavities['1/1']->face->x, 1e-9);
    }

    public function test_tails_that_rotate_into_each_other_are_noted(): void
    {
        self::assertSame(['label.rotates'], self::codes(Bench::stageBox()));
        self::assertSame([6 => '9', 9 => '6'], Bench::stageBox()->plan()->rotations());
    }

    public function test_a_run_or_a_fitting_that_is_out_of_the_count_hides_nothing_of_the_others(): void
    {
        $line = static fn (string $id): RunRequest => Bench::request(
            $id,
            'pair-foil',
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            ['xlr3-male-cable-balanced'],
        );
        $bench = Bench::of($line('A-1'), $line('A-2'), $line('A-3'));
        $fittings = $bench->installation->fittings();
        // The first run is withdrawn, the second lost a fitting, and the others are of types that nobody knows.
        unset($fittings['A-2.a1']);
        foreach (['A-2.b1', 'A-3.a1', 'A-3.b1'] as $id) {
            $fittings[$id] = new Fitting(...['connector' => 'no-such'] + get_object_vars($fittings[$id]));
        }
        $first = $bench->installation->theRun('A-1');
        $found = array_filter(
            $bench
                ->withRun(new Run(...['withdrawn' => true] + get_object_vars($first)))
                ->with(fittings: $fittings)
                ->plan()->findings(),
            static fn ($finding): bool => $finding->code === 'fitting.unknown-connector',
        );
        self::assertCount(3, $found);
    }
}
