<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Plan\Planning\AssemblyPlanner;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Diagnosing\FaultPlaces;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\MapMethod;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Sample;
use Sartal\Core\Proof\Testing\TestPlan;
use Sartal\Core\Proof\Testing\Verdict;

/** Mains beside signal in one cable: no lamp is put to it, and what was tested before that was so stays tested. */
final class CompositeTest extends TestCase
{
    private Expectation $expectation;

    private TestPlan $plan;

    private FaultPlaces $places;

    protected function setUp(): void
    {
        $in = InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        )->installation;
        $plan = (new Planner())->plan($in);
        $planner = new AssemblyPlanner($in, $plan->runs);
        $this->expectation = $planner->expectation($plan->assemblies['P-007']);
        $this->plan = $planner->testPlan($plan->assemblies['P-007'], $this->expectation, TestStage::Bench);
        $this->places = $planner->places($plan->assemblies['P-007']);
    }

    public function test_no_line_of_the_map_is_of_mains(): void
    {
        $map = MapMethod::read($this->expectation->wiring, $this->expectation->setup);
        self::assertSame(
            ['t:P-007.a2/1', 't:P-007.a2/2', 't:P-007.a2/3', 't:P-007.a2/shell'],
            array_keys($map->lights),
        );
        foreach ([Method::Map, Method::Shells, Method::Wiggle, Method::All] as $method) {
            foreach ($this->expectation->senses()->questions($method) as $question) {
                self::assertStringStartsWith('t:P-007.a2', str_replace('.b2', '.a2', $question->at), $method->value);
            }
        }
        self::assertSame([HazardDomain::Signal, HazardDomain::Mains], $this->plan->domains());
        $signal = $this->plan->in(HazardDomain::Signal);
        self::assertSame(Verdict::Passes, $signal->verdict($this->expectation, $map));
        self::assertSame(Verdict::Incomplete, $this->plan->verdict($this->expectation, $map));
    }

    /** Exchanged line and neutral show on the ohmmeter, as they did on the lamp. */
    public function test_polarity_is_read_with_the_ohmmeter(): void
    {
        $joints = [];
        foreach ($this->expectation->wiring->edges as $edge) {
            $joints[$edge->to] = $edge;
        }
        [$line, $neutral] = [$joints['t:P-007.b1/L'], $joints['t:P-007.b1/N']];
        $wiring = $this->expectation->wiring->edited(
            new WiringEdit([
                $line->id => $line->movedTo($neutral->to),
                $neutral->id => $neutral->movedTo($line->to),
            ]),
        );
        $samples = [];
        foreach ([Method::Ohms, Method::Insulation] as $method) {
            foreach ($this->expectation->senses()->questions($method) as $question) {
                $samples[] = new Sample($question, $this->expectation->senses()->answerOf($wiring, $question));
            }
        }
        $reading = new Reading([], null, $samples);
        $mains = $this->plan->in(HazardDomain::Mains);
        self::assertSame(Verdict::Fails, $mains->verdict($this->expectation, $reading));
        $troubles = Diagnostician::for($this->places, $this->expectation, $reading)->troubles;
        self::assertCount(1, $troubles);
        self::assertStringContainsString('mains/l', $troubles[0]->causes[0]->key());
        // Line and neutral alone are not enough: the earth is measured too, and first.
        $first = $this->expectation->senses()->questions(Method::Ohms)[0];
        self::assertSame('t:P-007.a1/PE', $this->expectation->senses()->nodes($first)[0]);
    }

    /**
     * A thousand things that may go wrong with mains, drawn as edits of the wiring: its own plan, which has no lamp,
     * finds each of them.
     */
    public function test_whatever_is_wrong_with_mains_its_own_plan_finds(): void
    {
        $dice = new Randomizer(new Mt19937(230));
        $pick = static fn (array $of): mixed => $of[$dice->getInt(0, count($of) - 1)];
        $senses = $this->expectation->senses();
        $joints = array_values(
            array_filter(
                $this->expectation->wiring->edges,
                fn (Edge $edge): bool => $edge->kind === EdgeKind::Joint &&
                    isset($this->expectation->setup->makeup->live[$edge->to]),
            ),
        );
        self::assertCount(6, $joints, 'line, neutral and earth at two ends');
        for ($n = 0; $n < 1000; $n++) {
            $joint = $pick($joints);
            // Contacts of the same connector, and of the signal's beside it.
            $beside = array_values(
                array_filter(
                    array_map(strval(...), array_keys($this->expectation->setup->from + $this->expectation->setup->to)),
                    static fn (string $node): bool => $node !== $joint->to &&
                        substr($node, 0, 9) === substr($joint->to, 0, 9),
                ),
            );
            $other = $pick(array_values(
                array_filter($joints, static fn (Edge $of): bool => $of !== $joint && in_array($of->to, $beside, true)),
            ));
            $edit = match ($dice->getInt(0, 3)) {
                0 => [$joint->id => null],
                1 => [$joint->id => $joint->movedTo($other->to), $other->id => $other->movedTo($joint->to)],
                2 => [$joint->id => $joint->movedTo($pick($beside))],
                default => ['bridge' => new Edge('bridge', EdgeKind::Stray, $joint->to, $pick($beside))],
            };
            $wiring = $this->expectation->wiring->edited(new WiringEdit($edit));
            $samples = [];
            foreach ([Method::Ohms, Method::Insulation] as $method) {
                foreach ($senses->questions($method) as $question) {
                    $samples[] = new Sample($question, $senses->answerOf($wiring, $question));
                }
            }
            self::assertSame(
                Verdict::Fails,
                $this->plan->in(HazardDomain::Mains)->verdict($this->expectation, new Reading([], null, $samples)),
                (string) json_encode($edit),
            );
        }
    }

    /** A reading as it was taken while mains was in the map: every point against the other end's. */
    public function test_a_reading_from_before_stands_by_what_it_was_read_against(): void
    {
        $before = MapMethod::read($this->expectation->wiring, $this->expectation->setup->undivided());
        self::assertArrayHasKey('t:P-007.a1/L', $before->lights);
        self::assertSame([], $this->expectation->wrongLines($before));
        self::assertSame([], $this->expectation->unreadLines($before));
        $earth = $insulation = [];
        foreach ($this->expectation->senses()->questions(Method::Ohms) as $question) {
            if ($question->at === 't:P-007.a1/PE|t:P-007.b1/PE') {
                $earth[] = new Sample($question, $this->expectation->senses()->expected($question));
            }
        }
        foreach ($this->expectation->senses()->questions(Method::Insulation) as $question) {
            $insulation[] = new Sample($question, 200.0);
        }
        self::assertCount(1, $earth);
        $all = [...$earth, ...$insulation];
        $with = new Reading($before->lights, $before->splits, $all);
        // Polarity by lamp was what there was; without it, it is missing.
        self::assertSame(Verdict::Passes, $this->plan->verdict($this->expectation, $with));
        $now = MapMethod::read($this->expectation->wiring, $this->expectation->setup);
        self::assertSame(
            Verdict::Incomplete,
            $this->plan->verdict($this->expectation, new Reading($now->lights, $now->splits, $all)),
        );
        // A bridge between line and neutral that a lamp showed then is still explained as one.
        $stray = new Edge('bridge', EdgeKind::Stray, 't:P-007.a1/L', 't:P-007.a1/N');
        $bridged = MapMethod::read(
            $this->expectation->wiring->edited(new WiringEdit(['bridge' => $stray])),
            $this->expectation->setup->undivided(),
        );
        self::assertCount(2, $this->expectation->wrongLines($bridged));
        $troubles = Diagnostician::for($this->places, $this->expectation, $bridged)->troubles;
        self::assertCount(1, $troubles);
        self::assertNotSame([], $troubles[0]->causes);
    }
}
