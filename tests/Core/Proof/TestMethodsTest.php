<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\TestChoices;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Measure\Gauge;
use Sartal\Core\Proof\Diagnosing\Cause;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Diagnosing\Fault;
use Sartal\Core\Proof\Diagnosing\FaultKind;
use Sartal\Core\Proof\Diagnosing\NextReading;
use Sartal\Core\Proof\Diagnosing\Trouble;
use Sartal\Core\Proof\Testing\CertifierSense;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\LinkLimits;
use Sartal\Core\Proof\Testing\MapMethod;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Question;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Sample;
use Sartal\Core\Proof\Testing\TestPlan;
use Sartal\Core\Proof\Testing\Verdict;
use Tests\Support\Bench;

/** Methods of testing by hand, and what their readings together lead to. */
final class TestMethodsTest extends TestCase
{
    /** m, of every run of Tests\Support\Bench: 10 m of tray with 3 % and what its ends need. */
    private const METRES = 12.4;

    private static function quad(): Bench
    {
        return Bench::of(
            Bench::request(
                'A-1',
                'star-quad',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        );
    }

    private static function ask(Bench $bench, Method $method, string $at, WiringEdit ...$faults): mixed
    {
        return $bench->expectation()->senses()->answer(new Question($method, $at), array_values($faults));
    }

    /** @param  list<Method>  $methods */
    private static function reading(Expectation $expectation, array $methods, WiringEdit ...$faults): Reading
    {
        $wiring = array_reduce(
            $faults,
            static fn ($wiring, WiringEdit $fault) => $wiring->edited($fault),
            $expectation->wiring,
        );
        $map = MapMethod::read($wiring, $expectation->setup);
        $samples = [];
        foreach ($methods as $method) {
            foreach ($expectation->senses()->questions($method) as $question) {
                $samples[] = new Sample($question, $expectation->senses()->answer($question, array_values($faults)));
            }
        }

        return new Reading($map->lights, $map->splits, $samples);
    }

    /** @return list<Trouble> */
    private static function troubles(Bench $bench, Reading $reading): array
    {
        $plan = $bench->plan();
        $planner = $bench->assemblies($plan);
        $assembly = $plan->assemblies[array_key_first($plan->assemblies)];

        return Diagnostician::for($planner->places($assembly), $bench->expectation(), $reading)->troubles;
    }

    /** @return list<string> kinds of the causes of the only trouble */
    private static function kinds(Bench $bench, Reading $reading): array
    {
        $troubles = self::troubles($bench, $reading);
        self::assertCount(1, $troubles);

        return array_values(
            array_unique(
                array_map(
                    static fn (Cause $cause): string => implode(
                        '+',
                        array_map(static fn (Fault $fault): string => $fault->kind->value, $cause->faults),
                    ),
                    $troubles[0]->causes,
                ),
            ),
        );
    }

    /** ASTM B258 for the gauge, circuit theory for two side by side: one open core of a star-quad doubles its leg. */
    public function test_ohms_see_one_of_two_cores_side_by_side(): void
    {
        $quad = self::quad();
        $good = self::ask($quad, Method::Ohms, 't:A-1.a1/2|t:A-1.b1/2');
        self::assertEqualsWithDelta((self::METRES * Gauge::awg(24)->ohmsPerMetre()) / 2, $good, 0.01);
        $conductor = array_key_first(
            array_filter(
                $quad->expectation()->wiring->edges,
                static fn (Edge $edge): bool => $edge->kind === EdgeKind::Conductor,
            ),
        );
        $open = new WiringEdit([(string) $conductor => null]);
        $reads = array_map(
            static fn (string $contact): float => self::ask(
                $quad,
                Method::Ohms,
                "t:A-1.a1/$contact|t:A-1.b1/$contact",
                $open,
            ),
            ['2', '3'],
        );
        self::assertEqualsWithDelta(2 * $good, max($reads), 0.02);
        self::assertSame(
            $quad->expectation()->reading->lights,
            $quad->readingWith($open)->lights,
            'a lamp lights through the other',
        );
        self::assertContains('open', self::kinds($quad, self::reading($quad->expectation(), [Method::Ohms], $open)));
    }

    /**
     * Common practice: cores of a star-quad are paired across, by colour. Paired by neighbour it passes map and pair
     * test, and hums.
     */
    public function test_a_star_quad_paired_by_neighbour_hums_and_shows_its_colours(): void
    {
        $quad = self::quad();
        $expectation = $quad->expectation();
        $at = static fn (string $end): array => array_values(
            array_filter(
                $expectation->wiring->edges,
                static fn (Edge $edge): bool => $edge->kind === EdgeKind::Joint &&
                    str_starts_with($edge->to, 't:A-1.'.$end),
            ),
        );
        $edges = [];
        foreach (['a1', 'b1'] as $end) {
            $hot = array_values(
                array_filter($at($end), static fn (Edge $edge): bool => str_ends_with($edge->to, '/2')),
            )[0];
            $cold = array_values(
                array_filter($at($end), static fn (Edge $edge): bool => str_ends_with($edge->to, '/3')),
            )[0];
            $edges += [$hot->id => $hot->movedTo($cold->to), $cold->id => $cold->movedTo($hot->to)];
        }
        $fault = new WiringEdit($edges);
        $reading = self::reading($expectation, [], $fault);
        self::assertSame(Verdict::Passes, $expectation->verdict($reading));
        $pair = $expectation->setup->pairs[0]->id;
        self::assertSame('clean', self::ask($quad, Method::Noise, $pair));
        self::assertSame('hum', self::ask($quad, Method::Noise, $pair, $fault));
        self::assertNotSame(
            self::ask($quad, Method::EyesA, 't:A-1.a1/2'),
            self::ask($quad, Method::EyesA, 't:A-1.a1/2', $fault),
        );
        self::assertContains('mirrored', self::kinds($quad, self::reading($expectation, [Method::Noise], $fault)));
    }

    public function test_a_loose_joint_conducts_at_rest_and_is_found_by_wiggling(): void
    {
        $bench = Bench::microphone();
        $joint = $bench->expectation()->wiring->edges[$bench->joint('A-1.b1/2')];
        $loose = new WiringEdit([$joint->id => $joint->loosened()]);
        self::assertSame($bench->expectation()->reading->lights, $bench->readingWith($loose)->lights);
        self::assertSame('comes and goes', self::ask($bench, Method::Wiggle, 't:A-1.a1/2', $loose));
        self::assertSame('steady', self::ask($bench, Method::Wiggle, 't:A-1.a1/3', $loose));
        self::assertSame(
            ['loose'],
            self::kinds($bench, self::reading($bench->expectation(), [Method::Wiggle], $loose)),
        );
    }

    /** A conductive layer that was not peeled back: dark to a lamp, 50 kΩ to an insulation meter. */
    public function test_a_leak_is_dark_to_a_lamp(): void
    {
        $bench = Bench::microphone();
        $leak = new WiringEdit(['leak' => new Edge('leak', EdgeKind::Stray, 't:A-1.b1/1', 't:A-1.b1/2', 50_000.0)]);
        self::assertSame($bench->expectation()->reading->lights, $bench->readingWith($leak)->lights);
        $question = $bench->expectation()->senses()->questions(Method::Insulation);
        $reads = array_map(
            static fn (Question $each): mixed => self::ask($bench, Method::Insulation, $each->at, $leak),
            $question,
        );
        self::assertEqualsWithDelta(0.05, min($reads), 0.001);
        self::assertContains(
            'leak',
            self::kinds($bench, self::reading($bench->expectation(), [Method::Insulation], $leak)),
        );
    }

    /** The same open at A and at B lights the same; a capacitance meter at A sees the core hang on it, or not. */
    public function test_capacitance_parts_an_open_at_one_end_from_an_open_at_the_other(): void
    {
        $bench = Bench::microphone();
        $open = new WiringEdit([$bench->joint('A-1.b1/2') => null]);
        $reading = $bench->readingWith($open);
        $trouble = self::troubles($bench, $reading)[0];
        self::assertGreaterThan(2, count($trouble->causes));
        $next = (new NextReading($bench->expectation(), $reading, [
            Method::Ohms,
            Method::Capacitance,
            Method::EyesA,
        ]))->after($trouble);
        self::assertNotNull($next);
        self::assertSame(Method::Capacitance, $next->method);
        self::assertGreaterThan(1, count($next->answers));
        $read = new Reading($reading->lights, $reading->splits, [
            new Sample($next->question, self::ask($bench, Method::Capacitance, $next->question->at, $open)),
        ]);
        self::assertLessThan(count($trouble->causes), count(self::troubles($bench, $read)[0]->causes));
    }

    /** A swap at A and the same swap at B: no reading at the terminals parts them, the colours of either end do. */
    public function test_only_an_opened_end_parts_a_swap_at_a_from_a_swap_at_b(): void
    {
        $bench = Bench::microphone();
        $swap = $bench->swap('A-1.b1/2', 'A-1.b1/3');
        $reading = $bench->readingWith($swap);
        $trouble = self::troubles($bench, $reading)[0];
        self::assertCount(2, $trouble->causes);
        $terminals = array_values(
            array_filter(Method::cases(), static fn (Method $method): bool => ! Methods::card($method)->opens),
        );
        self::assertNull((new NextReading($bench->expectation(), $reading, $terminals))->after($trouble));
        $next = (new NextReading($bench->expectation(), $reading, Method::cases()))->after($trouble);
        self::assertTrue($next !== null && Methods::card($next->method)->opens);
        self::assertSame(1.0, $next->left());
        $seen = self::reading($bench->expectation(), [Method::EyesA], $swap);
        self::assertSame(
            ['A-1 B'],
            array_map(
                static fn (Cause $cause): string => str_contains($cause->faults[0]->nodes[0], '.b1/')
                    ? 'A-1 B'
                    : 'A-1 A',
                self::troubles($bench, $seen)[0]->causes,
            ),
        );
    }

    /**
     * Property: whatever the reading, what is asked next leaves fewer causes on average, and the true one among them.
     */
    public function test_following_the_readings_ends_at_the_fault(): void
    {
        foreach ([Bench::microphone(), self::quad(), Bench::category(), Bench::coax()] as $bench) {
            $expectation = $bench->expectation();
            $plan = $bench->plan();
            $places = $bench->assemblies($plan)->places($plan->assemblies[array_key_first($plan->assemblies)]);
            $patch = \Sartal\Core\Proof\Diagnosing\Patch::around(
                array_map(strval(...), array_keys($expectation->setup->from + $expectation->setup->to)),
                $expectation->wiring,
                $places->order,
            );
            $i = 0;
            foreach ((new \Sartal\Core\Proof\Diagnosing\Opens())->in($patch) as $fault) {
                $samples = [];
                $map = self::reading($expectation, [], $fault->edit);
                $left = PHP_INT_MAX;
                for ($step = 0; $step < 6; $step++) {
                    $reading = new Reading($map->lights, $map->splits, $samples);
                    if ($expectation->verdict($reading) !== Verdict::Fails) {
                        break;
                    }
                    $trouble = self::troubles($bench, $reading)[0];
                    $keys = array_map(static fn (Cause $cause): string => $cause->key(), $trouble->causes);
                    self::assertContains($fault->key(), $keys);
                    self::assertLessThanOrEqual($left, count($keys));
                    $left = count($keys);
                    $next = (new NextReading($expectation, $reading, Method::cases()))->after($trouble);
                    if ($next === null) {
                        break;
                    }
                    foreach (
                        $next->question === null
                            ? $expectation->senses()->questions($next->method)
                            : [$next->question] as $question
                    ) {
                        $value = $expectation->senses()->answer($question, [$fault->edit]);
                        if (! is_float($value) || ! is_nan($value)) {
                            $samples[] = new Sample($question, $value);
                        }
                    }
                }
                $i++;
            }
            self::assertGreaterThan(1, $i);
        }
    }

    /**
     * Length = NVP × c × t ÷ 2, delay = length ÷ (NVP × c), loop = two cores of the length (circuit theory; ASTM B258).
     */
    public function test_a_certifier_reads_length_delay_and_loop(): void
    {
        $bench = Bench::category();
        $pair = $bench->expectation()->setup->pairs[0]->id;
        self::assertEqualsWithDelta(self::METRES, self::ask($bench, Method::Certifier, $pair), 0.001);
        self::assertEqualsWithDelta(
            2 * self::METRES * Gauge::awg(23)->ohmsPerMetre(),
            self::ask($bench, Method::Certifier, CertifierSense::question($pair, CertifierSense::LOOP)),
            0.02,
        );
        $delay = self::ask($bench, Method::Certifier, CertifierSense::question($pair, CertifierSense::DELAY));
        self::assertEqualsWithDelta(
            $bench->expectation()->setup->makeup->nanosecondsPerMetre[$pair] * self::METRES,
            $delay,
            0.01,
        );
        self::assertGreaterThan(self::METRES / 0.299792458 / 0.85, $delay);
        self::assertLessThan(self::METRES / 0.299792458 / 0.55, $delay);
    }

    /** ANSI/TIA-568 and ISO/IEC 11801, permanent link (from memory): 21 Ω, 498 ns, 44 ns, 90 m. */
    public function test_limits_of_a_link_hold_whatever_was_planned(): void
    {
        $bench = Bench::category();
        $expectation = $bench->expectation();
        [$one, $other] = [$expectation->setup->pairs[0]->id, $expectation->setup->pairs[1]->id];
        $read = static fn (array $values): Reading => new Reading(
            [],
            null,
            array_map(
                static fn (string $at, float $value): Sample => new Sample(
                    new Question(Method::Certifier, $at),
                    $value,
                ),
                array_keys($values),
                $values,
            ),
        );
        self::assertSame(
            [],
            LinkLimits::over(
                $expectation,
                $read([$one.'#delay' => 498.0, $other.'#delay' => 454.0, $one.'#loop' => 21.0, $one => 90.0]),
            ),
        );
        self::assertCount(
            4,
            LinkLimits::over(
                $expectation,
                $read([$one.'#delay' => 499.0, $other.'#delay' => 454.0, $one.'#loop' => 21.1, $one => 90.5]),
            ),
        );
        self::assertSame(
            [],
            LinkLimits::over(Bench::microphone()->expectation(), $read([$one.'#loop' => 99.0])),
            'they are of four-pair cable alone',
        );
    }

    public function test_a_cable_forty_per_cent_longer_is_the_wrong_cable(): void
    {
        $bench = Bench::category();
        $expectation = $bench->expectation();
        $longer = [];
        foreach ($expectation->wiring->edges as $id => $edge) {
            if ($edge->kind === EdgeKind::Conductor) {
                $longer[$id] = $edge->stretched(1.4);
            }
        }
        $reading = self::reading($expectation, [Method::Certifier, Method::Ohms], new WiringEdit($longer));
        self::assertSame(Verdict::Fails, $expectation->verdict($reading));
        $troubles = self::troubles($bench, $reading);
        self::assertCount(1, $troubles);
        self::assertSame(FaultKind::Length, $troubles[0]->causes[0]->faults[0]->kind);
        $plan = $bench->plan();
        self::assertSame(
            'The cable of C-1 is 40 % longer than planned: another one was cut, or is plugged in',
            $bench
                ->assemblies($plan)
                ->words($plan->assemblies['C-1'])
                ->name($troubles[0]->causes[0]->faults[0]),
        );
    }

    /** Each state is a test: a muting jack that stays shorted reads right at rest. */
    public function test_a_switch_that_stays_shows_only_when_it_is_moved(): void
    {
        $bench = Bench::of(Bench::request('A-1', 'pair-foil', ['analogue'], ['trs-balanced'], ['trs-balanced']));
        $bench = $bench->with(
            fittings: ['A-1.b1' => new Fitting('A-1.b1', 'Jack', 'trs-jack-mute', 'there')] +
                $bench->installation->fittings(),
        );
        $expectation = $bench->expectation();
        self::assertNotSame([], $expectation->states);
        $stuck = [];
        foreach ($expectation->wiring->edges as $id => $edge) {
            if ($edge->kind === EdgeKind::Switch) {
                $stuck[$id] = $edge;
            }
        }
        $reading = self::reading($expectation, [Method::Switches], new WiringEdit($stuck));
        self::assertSame($expectation->reading->lights, $reading->lights);
        self::assertSame(Verdict::Fails, $expectation->verdict($reading));
        self::assertContains('stuck', self::kinds($bench, $reading));
        self::assertSame(
            Verdict::Incomplete,
            self::plan($bench)->verdict($expectation, new Reading($reading->lights)),
            'at rest alone it is half a test',
        );
    }

    private static function plan(Bench $bench, TestStage $stage = TestStage::Bench): TestPlan
    {
        $plan = $bench->plan();

        return $bench
            ->assemblies($plan)
            ->testPlan($plan->assemblies[array_key_first($plan->assemblies)], $bench->expectation(), $stage);
    }

    /** @return list<string> */
    private static function methods(TestPlan $plan): array
    {
        return array_map(static fn ($test): string => $test->method->value, $plan->tests);
    }

    /** A strand between two unused contacts of one end: the map from end to end has no lamp for it. */
    public function test_only_everything_against_everything_sees_two_unused_contacts_of_one_end(): void
    {
        $bench = Bench::stageBox();
        $expectation = $bench->expectation();
        $used = [];
        foreach ($expectation->wiring->edges as $edge) {
            $used[$edge->to] = true;
        }
        $unused = array_values(
            array_filter(
                array_keys($expectation->setup->to),
                static fn (string $node): bool => ! isset($used[$node]) && ! str_ends_with($node, 'shell'),
            ),
        );
        $bridge = new WiringEdit(['b' => new Edge('b', EdgeKind::Stray, (string) $unused[0], (string) $unused[1])]);
        self::assertSame($expectation->reading->lights, $bench->readingWith($bridge)->lights);
        self::assertSame([(string) $unused[1]], self::ask($bench, Method::All, (string) $unused[0], $bridge));
        self::assertContains('short', self::kinds($bench, self::reading($expectation, [Method::All], $bridge)));
        $coverage = $bench->assemblies()->coverage($bench->plan()->assemblies['M-1'], [Method::Map, Method::Shells]);
        $short = array_values(
            array_filter($coverage->unseen, static fn ($unseen): bool => $unseen->kind === FaultKind::Short),
        );
        self::assertSame([Method::All], array_map(static fn ($unseen): ?Method => $unseen->add, $short));
    }

    public function test_the_plan_follows_from_the_wiring_and_the_stage(): void
    {
        self::assertSame(['map', 'shells', 'wiggle'], self::methods(self::plan(Bench::microphone())));
        self::assertSame(
            ['eyes-a', 'eyes-b'],
            self::methods(self::plan(Bench::microphone(), TestStage::BeforeClosing)),
        );
        self::assertSame(
            ['map', 'shells', 'noise'],
            self::methods(self::plan(Bench::microphone(), TestStage::Installed)),
        );
        self::assertContains('pairs', self::methods(self::plan(Bench::category())));
        self::assertContains('certifier', self::methods(self::plan(Bench::category(), TestStage::Installed)));
        self::assertContains('ohms', self::methods(self::plan(self::quad())));
        self::assertNotContains('ohms', self::methods(self::plan(Bench::microphone())));
    }

    /** One contact of an end that was looked at is no look at the end; one whole end is. */
    public function test_a_method_counts_when_all_of_it_was_asked(): void
    {
        $bench = Bench::microphone();
        $expectation = $bench->expectation();
        $plan = self::plan($bench, TestStage::BeforeClosing);
        $whole = self::reading($expectation, [Method::EyesA])->samples;
        self::assertSame(
            Verdict::Incomplete,
            $plan->verdict($expectation, new Reading([], null, array_slice($whole, 0, 1))),
        );
        self::assertSame(Verdict::Passes, $plan->verdict($expectation, new Reading([], null, $whole)));
        self::assertSame([Method::EyesB], $plan->missing($expectation, new Reading([], null, $whole)));
        $box = Bench::stageBox();
        $pairs = self::reading($box->expectation(), [Method::Noise]);
        $installed = self::plan($box, TestStage::Installed);
        self::assertNotContains(Method::Noise, $installed->missing($box->expectation(), $pairs));
        self::assertContains(
            Method::Noise,
            $installed->missing(
                $box->expectation(),
                new Reading($pairs->lights, null, array_slice($pairs->samples, 0, 1)),
            ),
            'one channel of 24 is not the box',
        );
    }

    public function test_the_house_edits_it_for_a_family_of_connectors(): void
    {
        $bench = Bench::microphone();
        $family = $bench->installation->catalogue->connectors()[$bench->installation->fittings()['A-1.a1']->connector]
            ->family;
        $edited = $bench->with(
            testing: (new TestChoices())->with($family, TestStage::Bench, [Method::Map, Method::Noise]),
        );
        self::assertContains('noise', self::methods(self::plan($edited)));
        $map = self::reading($edited->expectation(), []);
        self::assertSame(Verdict::Passes, self::plan($bench)->verdict($bench->expectation(), $map));
        self::assertSame(
            Verdict::Incomplete,
            self::plan($edited)->verdict($edited->expectation(), $map),
            'what the house chose is binding',
        );
        self::assertSame(
            Verdict::Passes,
            self::plan($edited)->verdict(
                $edited->expectation(),
                self::reading($edited->expectation(), [Method::Noise]),
            ),
        );
        self::assertSame(
            self::methods(self::plan($bench)),
            self::methods(
                self::plan(
                    $edited->with(testing: $edited->installation->testing()->with($family, TestStage::Bench, null)),
                ),
            ),
        );
    }

    /**
     * IEC 60364-6 (from memory): continuity of protective earth, insulation, polarity, in this order and before
     * energising.
     */
    public function test_mains_is_proven_in_its_order_by_a_licensed_person_and_cannot_be_edited_away(): void
    {
        $file = \Sartal\Core\File\InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        );
        $plan = (new \Sartal\Core\Plan\Planning\Planner())->plan($file->installation);
        $in = $file->installation;
        $edited = $in->changed(['testing' => new TestChoices(['' => ['bench' => [Method::Noise]]])]);
        foreach ([$in, $edited] as $each) {
            $planner = new \Sartal\Core\Plan\Planning\AssemblyPlanner($each, $plan->runs);
            $assembly = $plan->assemblies['P-007'];
            $expectation = $planner->expectation($assembly);
            $tests = $planner->testPlan($assembly, $expectation, TestStage::Bench);
            self::assertSame(['ohms', 'insulation', 'map'], array_slice(self::methods($tests), 0, 3));
            self::assertSame(
                ['ohms', 'insulation'],
                self::methods($tests->in(\Sartal\Core\Given\Catalogue\HazardDomain::Mains)),
            );
            self::assertTrue($tests->isLicensed());
            self::assertNotSame([], $expectation->setup->makeup->earths);
            self::assertSame(Verdict::Incomplete, $tests->verdict($expectation, self::reading($expectation, [])));
            self::assertSame(
                Verdict::Passes,
                $tests->verdict($expectation, self::reading($expectation, [Method::Ohms, Method::Insulation])),
            );
        }
        $between = array_map(
            static fn (Question $question): string => $question->at,
            $expectation->senses()->questions(Method::Insulation),
        );
        $live = array_filter(
            $expectation->wiring->edges,
            static fn (Edge $edge): bool => $edge->domain === \Sartal\Core\Given\Catalogue\HazardDomain::Mains,
        );
        self::assertNotSame([], $live);
        self::assertGreaterThan(3, count($between), 'mains to signal and to its screen too');
    }
}
