<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Element;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Gauge;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\ScreenAndDrain;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Record\Record;
use Tests\Support\Bench;

/** Over random cable trees and contact plans: nothing is lost, nothing is joined twice by accident. */
final class PinoutPropertiesTest extends TestCase
{
    private const ROUNDS = 150;

    public function test_every_core_end_is_joined_or_listed_unused_with_a_reason(): void
    {
        for ($seed = 1; $seed <= self::ROUNDS; $seed++) {
            $installation = self::random($seed);
            $plan = self::plan($installation);
            foreach (Side::cases() as $side) {
                $joined = array_map(static fn ($joint): string => $joint->conductor, $plan->end($side)->joints);
                $unused = array_map(static fn ($each): string => $each->conductor, $plan->end($side)->unused);
                $all = array_map(strval(...), array_keys($installation->catalogue->cables()['random']->conductors()));
                sort($all);
                $listed = array_unique([...$joined, ...$unused]);
                sort($listed);
                self::assertSame($all, $listed, 'seed '.$seed);
                self::assertSame([], array_intersect($joined, $unused), 'seed '.$seed);
                foreach ($plan->end($side)->unused as $each) {
                    self::assertNotSame('', $each->reason, 'seed '.$seed);
                }
            }
        }
    }

    public function test_within_a_fitting_function_and_contact_are_one_to_one(): void
    {
        for ($seed = 1; $seed <= self::ROUNDS; $seed++) {
            foreach (self::plan(self::random($seed, exceptions: false))->ends() as $end) {
                $byContact = $byFunction = [];
                foreach ($end->joints as $joint) {
                    $function = $joint->channel.' '.$joint->function;
                    $byContact[$joint->to][$function] = true;
                    $byFunction[explode('/', $joint->to)[0].' '.$function][$joint->to] = true;
                }
                foreach ([...$byContact, ...$byFunction] as $others) {
                    self::assertCount(1, $others, 'seed '.$seed);
                }
            }
        }
    }

    public function test_an_installation_survives_out_and_in_byte_for_byte(): void
    {
        for ($seed = 1; $seed <= self::ROUNDS; $seed++) {
            $printed = (new InstallationFile(self::random($seed), new Record(), []))->print();
            self::assertSame($printed, InstallationFile::parse($printed)->print(), 'seed '.$seed);
        }
    }

    public function test_the_shipped_catalogue_survives_too(): void
    {
        $installation = new Installation('i', 'I', HouseRules::defaults(), ShippedCatalogue::load());
        $printed = (new InstallationFile($installation, new Record(), []))->print();
        self::assertSame($printed, InstallationFile::parse($printed)->print());
    }

    public function test_both_cores_of_a_star_quad_pole_go_to_one_contact(): void
    {
        $bench = Bench::of(
            Bench::request(
                'A-1',
                'star-quad',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        );
        $at = [];
        foreach ($bench->plan()->runs['A-1']->end(Side::A)->joints as $joint) {
            $at[$joint->address()][] = $joint->conductor;
        }
        self::assertSame([2 => ['q1/1', 'q1/3'], 3 => ['q1/2', 'q1/4'], 1 => ['q1/braid']], $at);
        self::assertSame([], $bench->plan()->findings());
    }

    public function test_the_house_rule_on_screen_and_drain_decides_what_is_joined(): void
    {
        $bench = Bench::of(
            Bench::request(
                'A-1',
                'pair-braid',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        );
        self::assertSame(
            ['p1/braid'],
            array_map(static fn ($each): string => $each->conductor, $bench->plan()->runs['A-1']->end(Side::A)->unused),
        );
        $together = $bench->with(rules: HouseRules::defaults()->with(ScreenAndDrain::Together));
        self::assertSame([], $together->plan()->runs['A-1']->end(Side::A)->unused);
    }

    public function test_a_reason_that_somebody_gave_holds_for_what_it_names_and_for_nothing_beside_it(): void
    {
        $bench = Bench::of(Bench::request('C-1', 'data-2pair', ['rs485'], ['terminal3-rs485'], ['terminal3-rs485']));
        $said = static function (array $unused) use ($bench): array {
            $run = $bench->installation->theRun('C-1');
            $end = new End(...['unused' => $unused] + get_object_vars($run->a));
            $plan = $bench->withRun(new Run(...['a' => $end] + get_object_vars($run)))->plan();

            return array_column($plan->runs['C-1']->end(Side::A)->unused, 'reason', 'conductor');
        };
        $by = $said([]);
        $paths = array_map(strval(...), array_keys($by));
        self::assertSame(['p2/a', 'p2/b'], $paths);
        [$pair] = explode('/', $paths[0]);
        $of = static fn (string $within): array => array_values(
            array_filter($paths, static fn (string $path): bool => str_starts_with($path, $within)),
        );
        foreach ([$pair => $of($pair.'/'), $paths[0] => [$paths[0]], '' => $paths] as $named => $meant) {
            $now = array_filter(
                $said([$named => 'kept for later']),
                static fn (string $why): bool => $why === 'kept for later',
            );
            self::assertSame($meant, array_map(strval(...), array_keys($now)), '"'.$named.'"');
        }
        self::assertNotContains('kept for later', $said(['p' => 'kept for later']), 'half a name is none');
    }

    private static function plan(Installation $installation): RunPlan
    {
        return (new Planner())->plan($installation)->runs['r'];
    }

    private static function random(int $seed, bool $exceptions = true): Installation
    {
        mt_srand($seed);
        $channels = mt_rand(1, 6);
        $children = [];
        for ($i = 0; $i < mt_rand(1, 8); $i++) {
            $children[] = self::element('e'.$i, mt_rand(0, 2));
        }
        $cable = new CableType(
            'random',
            'Random',
            'audio',
            'X',
            Length::millimetres(9),
            '',
            new Element('', ElementKind::Group, '', children: $children),
        );
        $signal = new SignalType('s', 'S', HazardDomain::Signal, [
            new SignalFunction('one', 1, 'a'),
            new SignalFunction('two', 1, 'b', false),
            new SignalFunction('three', 2, 'a', false),
            new SignalFunction('screen', 0, 'screen', false),
        ]);
        $shipped = ShippedCatalogue::load()->connectors()['rect90-male'];
        $addresses = array_map(static fn ($cavity): string => $cavity->address, $shipped->cavities);
        shuffle($addresses);
        $plan = [];
        for ($c = 1; $c <= $channels; $c++) {
            foreach (['one', 'two', 'three', 'screen'] as $function) {
                if ($function === 'one' || mt_rand(0, 3) > 0) {
                    $plan[(string) $c][$function] = (string) array_pop($addresses);
                }
            }
        }
        $carries = $map = $circuits = [];
        foreach (array_slice($children, 0, $channels) as $i => $child) {
            $circuits['c'.$i] = new Circuit('c'.$i, 'C'.$i, 's');
            $carries[] = new Carriage($child->key, 'c'.$i);
            $map[$child->key] = (string) ($i + 1);
        }
        $end = static function (string $fitting) use ($children, $map, $exceptions, $cable): End {
            $keys = array_map(static fn (Element $child): string => $child->key, $children);
            $half = array_slice($keys, 0, mt_rand(1, count($keys)));
            $paths = array_map(strval(...), array_keys($cable->conductors()));
            $by =
                $exceptions && $paths !== [] && mt_rand(0, 1) === 1
                    ? [
                        new HandJoint(
                            $paths[array_rand($paths)],
                            mt_rand(0, 1) === 1 ? $fitting.'/E18' : null,
                            'by hand',
                        ),
                    ]
                    : [];

            return new End(
                'here',
                Length::millimetres(mt_rand(0, 3000)),
                Length::zero(),
                Length::millimetres(40),
                mt_rand(0, 3),
                [new Leg('l', '1', $half, Length::zero(), new Landing($fitting, 'p', $map))],
                $by,
                mt_rand(0, 1) === 1 ? [$keys[0] => 'kept for later'] : [],
            );
        };

        return new Installation(
            'random',
            'Random',
            HouseRules::defaults(),
            new Catalogue(
                ['random' => $cable],
                ['rect90-male' => $shipped],
                ['s' => $signal],
                ['p' => new ContactPlan('p', 'P', 'rect90-male', $plan)],
            ),
            circuits: $circuits,
            fittings: [
                'f' => new Fitting('f', 'F', 'rect90-male', 'here'),
                'g' => new Fitting('g', 'G', 'rect90-male', 'here'),
            ],
            runs: [
                'r' => new Run(
                    'r',
                    'R-1',
                    'random',
                    \Sartal\Core\Given\Installation\Build::Shop,
                    $end('f'),
                    $end('g'),
                    [],
                    $carries,
                ),
            ],
        );
    }

    private static function element(string $key, int $depth): Element
    {
        $kinds =
            $depth > 0
                ? [ElementKind::Pair, ElementKind::Quad, ElementKind::Group, ElementKind::Coax]
                : [ElementKind::Core, ElementKind::Drain, ElementKind::Screen, ElementKind::Foil];
        $kind = $kinds[array_rand($kinds)];
        $children = [];
        for ($i = 0; $depth > 0 && $i < mt_rand(1, 5); $i++) {
            $children[] = self::element('k'.$i, mt_rand(0, $depth - 1));
        }

        return new Element(
            $key,
            $kind,
            $key,
            gauge: $kind->isConductor() ? Gauge::awg(mt_rand(16, 28)) : null,
            children: $children,
        );
    }
}
