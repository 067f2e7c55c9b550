<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Plan\Planning\AssemblyPlanner;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Diagnosing\Cause;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Diagnosing\Fault;
use Sartal\Core\Proof\Diagnosing\FaultKind;
use Sartal\Core\Proof\Diagnosing\FaultPlaces;
use Sartal\Core\Proof\Diagnosing\FaultSources;
use Sartal\Core\Proof\Diagnosing\Patch;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\MapMethod;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Sample;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * Every fault that is known of is made in every assembly of the demo and
 * read. The causes that are listed must be the faults that read like this: no
 * fewer, and nothing that reads otherwise.
 */
final class EveryFaultTest extends TestCase
{
    private const EVERYTHING = [
        Method::All,
        Method::Switches,
        Method::Ohms,
        Method::Insulation,
        Method::Capacitance,
        Method::Wiggle,
        Method::Noise,
        Method::EyesA,
        Method::EyesB,
        Method::Certifier,
    ];

    /** @var array<string, array{Expectation, FaultPlaces}> */
    private static array $assemblies = [];

    public static function setUpBeforeClass(): void
    {
        $in = InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        )->installation;
        $plan = (new Planner())->plan($in);
        $planner = new AssemblyPlanner($in, $plan->runs);
        foreach ($plan->assemblies as $assembly) {
            self::$assemblies[$assembly->id] = [$planner->expectation($assembly), $planner->places($assembly)];
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::$assemblies = [];
    }

    /** @param  list<Method>  $methods */
    private static function read(Expectation $expectation, ?Fault $fault, array $methods): Reading
    {
        $wiring = $fault === null ? $expectation->wiring : $expectation->wiring->edited($fault->edit);
        $senses = $expectation->senses();
        $samples = [];
        foreach ($methods as $method) {
            foreach ($senses->questions($method) as $question) {
                $value =
                    $question->state === ''
                        ? $senses->answerOf($wiring, $question)
                        : $senses->answer($question, $fault === null ? [] : [$fault->edit]);
                // An instrument shows a number or nothing; what cannot be foreseen is not read.
                if (! is_float($value) || ! is_nan($value)) {
                    $samples[] = new Sample($question, $value);
                }
            }
        }
        $map = MapMethod::read($wiring, $expectation->setup);

        return new Reading($map->lights, $map->splits, $samples);
    }

    /** @return list<Fault> */
    private static function faults(Expectation $expectation, FaultPlaces $places, bool $isMapped = false): array
    {
        // What a core of signal does on a contact of mains, no lamp tells from one that is open.
        $setup = $expectation->setup;
        $probes = $isMapped ? $setup->touched() + $setup->watched() : $setup->from + $setup->to;
        $probes = array_map(strval(...), array_keys($probes));
        $patch = Patch::around($probes, $expectation->wiring, $places->order);
        $faults = [];
        foreach ([...FaultSources::narrow($places), ...FaultSources::wide($places)] as $source) {
            foreach ($source->in($patch) as $fault) {
                // Far shifts of twenty-four channels are tried by the test of what is arranged wrong.
                if (abs($fault->by) > 2 && ($fault->kind === FaultKind::Channels || $fault->beyond !== '')) {
                    continue;
                }
                // What comes to the same wiring is one fault, in whatever words.
                $faults[(new Cause([$fault]))->comesTo()] ??= $fault;
            }
        }

        return array_values($faults);
    }

    public function test_no_good_assembly_fails_by_any_method(): void
    {
        self::assertGreaterThan(40, count(self::$assemblies));
        foreach (self::$assemblies as $id => [$expectation]) {
            $reading = self::read($expectation, null, self::EVERYTHING);
            self::assertSame(Verdict::Passes, $expectation->verdict($reading), $id);
            self::assertSame([], $expectation->wrongSamples($reading), $id);
        }
    }

    #[Group('long')]
    public function test_what_a_map_with_pair_test_shows_is_explained_by_exactly_the_faults_that_read_so(): void
    {
        $sizes = [];
        $faults = 0;
        foreach (self::$assemblies as $id => [$expectation, $places]) {
            $good = serialize(self::signature(self::read($expectation, null, [])));
            $groups = $readings = [];
            foreach (self::faults($expectation, $places, true) as $fault) {
                $reading = self::read($expectation, $fault, []);
                $signature = serialize(self::signature($reading));
                if ($signature !== $good) {
                    $groups[md5($signature)][] = (new Cause([$fault]))->comesTo();
                    $readings[md5($signature)] = $reading;
                    $faults++;
                }
            }
            foreach ($groups as $signature => $alike) {
                $diagnosis = Diagnostician::for($places, $expectation, $readings[$signature]);
                self::assertCount(1, $diagnosis->troubles, $id.' '.$alike[0]);
                $listed = array_map(
                    static fn (Cause $cause): string => $cause->comesTo(),
                    $diagnosis->troubles[0]->causes,
                );
                self::assertSame([], array_diff($alike, $listed), (string) $id);
                // Of a part of a connector some more may be thought of than of all of it: they read the same.
                foreach ($diagnosis->troubles[0]->causes as $cause) {
                    if (! in_array($cause->comesTo(), $alike, true)) {
                        self::assertCount(1, $cause->faults);
                        $read = self::read($expectation, $cause->faults[0], []);
                        self::assertSame($signature, md5(serialize(self::signature($read))), $cause->key());
                    }
                }
                $sizes[count($alike)] = ($sizes[count($alike)] ?? 0) + 1;
            }
        }
        ksort($sizes);
        self::assertGreaterThan(20_000, $faults, 'sizes of ties: '.json_encode($sizes));
        // What is exchanged between two tails reads as it would at the other end: with those there are more ties.
        self::assertGreaterThan(0.85, $sizes[1] / array_sum($sizes), 'most readings have one cause');
    }

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        yield 'pair' => ['A-114'];
        yield 'star-quad' => ['A-119'];
        yield 'four pairs' => ['C-418'];
        yield 'control' => ['D-031'];
        yield 'loudspeaker' => ['L-502'];
        yield 'mains and signal' => ['P-007'];
        yield 'coax' => ['V-401'];
    }

    /**
     * Not all methods give the same value twice, so what matches is asked of the methods themselves, fault by fault.
     */
    #[DataProvider('kinds')]
    public function test_with_every_method_read_the_same_holds(string $id): void
    {
        [$expectation, $places] = self::$assemblies[$id];
        $senses = $expectation->senses();
        $made = [];
        foreach (self::faults($expectation, $places) as $fault) {
            $made[] = [$fault, self::read($expectation, $fault, self::EVERYTHING)];
        }
        $looked = 0;
        foreach ($made as $i => [$fault, $reading]) {
            if ($i % max(1, intdiv(count($made), 60)) !== 0 || $expectation->verdict($reading) !== Verdict::Fails) {
                continue;
            }
            $alike = [];
            foreach ($made as [$other, $read]) {
                $same = $read->lights === $reading->lights && $read->splits === $reading->splits;
                foreach ($same ? $reading->samples : [] as $key => $sample) {
                    $same =
                        $same &&
                        (! isset($read->samples[$key]) ||
                            $senses->agree($sample->question, $read->samples[$key]->value, $sample->value));
                }
                if ($same) {
                    $alike[] = (new Cause([$other]))->comesTo();
                }
            }
            $diagnosis = Diagnostician::for($places, $expectation, $reading);
            self::assertCount(1, $diagnosis->troubles, $fault->key());
            $listed = array_map(static fn (Cause $cause): string => $cause->comesTo(), $diagnosis->troubles[0]->causes);
            self::assertSame([], array_diff($alike, $listed), $fault->key());
            self::assertLessThanOrEqual(count($alike) + 2, count($listed), $fault->key());
            $looked++;
        }
        self::assertGreaterThan(10, $looked);
    }

    /** @return array{array<string, list<string>>, ?list<string>} */
    private static function signature(Reading $reading): array
    {
        return [$reading->lights, $reading->splits];
    }
}
