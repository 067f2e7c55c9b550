<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Instrument;
use Sartal\Core\Given\Installation\InstrumentKind;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Schools\TestedBy;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Diagnosing\FaultKind;
use Sartal\Core\Proof\Diagnosing\FaultSources;
use Sartal\Core\Proof\Diagnosing\Probing;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\TestSettled;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Verdict;
use Tests\Support\Bench;

/** Which tests still count, where two contradict, and what is not right with a result. */
final class TrialsTest extends TestCase
{
    private static int $number = 0;

    private static function event(
        EventKind $kind,
        string $by = 'ann',
        ?Verdict $verdict = null,
        ?TestStage $stage = null,
        string $of = '',
        string $fingerprint = '',
        string $instrument = '',
        ?Side $side = null,
        string $step = '',
    ): Event {
        $n = ++self::$number;
        $at = sprintf('2026-03-09T08:00:00.%06dZ', $n);

        return new Event(
            sprintf('%08d-0000-4000-8000-000000000000', $n),
            $kind,
            'A-1',
            $side,
            $by,
            $at,
            $at,
            $fingerprint,
            $instrument,
            step: $step,
            says: match ($kind) {
                EventKind::Tested => new TestTaken(verdict: $verdict, stage: $stage),
                EventKind::Settled => new TestSettled($of, $stage),
                default => null,
            },
        );
    }

    private static function test(string $by, Verdict $verdict, ?TestStage $stage = null): Event
    {
        return self::event(EventKind::Tested, $by, $verdict, $stage);
    }

    public function test_the_last_test_counts_and_one_person_may_change_their_mind(): void
    {
        $trials = Trials::among([self::test('ann', Verdict::Fails), ($last = self::test('ann', Verdict::Passes))]);
        self::assertSame($last, $trials->current());
        self::assertSame([], $trials->contradiction(TestStage::Bench));
    }

    public function test_two_people_who_agree_are_asked_nothing_and_two_who_do_not_are(): void
    {
        self::assertSame(
            [],
            Trials::among([self::test('ann', Verdict::Passes), self::test('bo', Verdict::Passes)])->contradiction(
                TestStage::Bench,
            ),
        );
        $trials = Trials::among([
            ($fails = self::test('ann', Verdict::Fails)),
            self::test('bo', Verdict::Passes),
            self::test('cy', Verdict::Incomplete),
        ]);
        self::assertCount(2, $trials->contradiction(TestStage::Bench), 'half a test contradicts nobody');
        self::assertSame($fails, $trials->current(), 'until somebody says which holds, the cable has failed');
        self::assertSame(
            [],
            Trials::among([
                self::test('ann', Verdict::Fails),
                self::test('bo', Verdict::Passes, TestStage::Installed),
            ])->contradiction(TestStage::Installed),
            'bench and place are two questions',
        );
    }

    public function test_what_was_settled_holds_until_somebody_contradicts_it_again(): void
    {
        $fails = self::test('ann', Verdict::Fails);
        $passes = self::test('bo', Verdict::Passes);
        $settled = self::event(EventKind::Settled, 'lead', of: $passes->id);
        $trials = Trials::among([$fails, $passes, $settled]);
        self::assertSame([], $trials->contradiction(TestStage::Bench));
        self::assertSame($passes, $trials->current());
        self::assertCount(
            2,
            Trials::among([$fails, $passes, $settled, self::test('cy', Verdict::Fails)])->contradiction(
                TestStage::Bench,
            ),
        );
        self::assertSame($passes, Trials::among([$passes, self::event(EventKind::Settled, of: 'nothing')])->current());
    }

    public function test_a_look_before_closing_counts_only_where_it_failed(): void
    {
        self::assertNull(Trials::among([self::test('ann', Verdict::Passes, TestStage::BeforeClosing)])->current());
        self::assertNotNull(Trials::among([self::test('ann', Verdict::Fails, TestStage::BeforeClosing)])->current());
    }

    /** @return iterable<string, array{Event, bool}> */
    public static function after(): iterable
    {
        yield 'made again' => [self::event(EventKind::Remade, side: Side::B), true];
        yield 'joined' => [self::event(EventKind::Joined, side: Side::B), true];
        yield 'cut again' => [self::event(EventKind::Cut), true];
        yield 'labelled' => [self::event(EventKind::Labelled), false];
        yield 'reworked, with nothing opened' => [self::event(EventKind::Reworked), false];
    }

    #[DataProvider('after')]
    public function test_a_test_speaks_of_the_cable_until_it_is_another(Event $after, bool $undone): void
    {
        self::assertSame($undone, Trials::among([self::test('ann', Verdict::Passes), $after])->current() === null);
    }

    public function test_the_strand_fails_on_a_contradiction_and_the_plan_says_so(): void
    {
        $bench = Bench::microphone();
        $fingerprint = $bench->expectation()->fingerprint()->now();
        $made = [
            self::event(EventKind::Joined, 'bo', side: Side::A),
            self::event(EventKind::Joined, 'bo', side: Side::B),
        ];
        $tests = [
            self::event(EventKind::Tested, 'ann', Verdict::Passes, fingerprint: $fingerprint),
            self::event(EventKind::Tested, 'bo', Verdict::Fails, fingerprint: $fingerprint),
        ];
        $state = static function (Event ...$events) use ($bench): BeadState {
            $plan = (new Planner())->plan($bench->installation, new Record($events));

            return array_values(
                array_filter($plan->strand('A-1'), static fn ($bead): bool => $bead->stage === Stage::Test),
            )[0]->state;
        };
        self::assertSame(BeadState::Done, $state(...[...$made, $tests[0]]));
        self::assertSame(BeadState::Failed, $state(...[...$made, ...$tests]));
        $plan = (new Planner())->plan($bench->installation, new Record([...$made, ...$tests]));
        self::assertContains('test.contradicts', Bench::codes($plan->findings()));
        self::assertNotContains('test.own-work', Bench::codes($plan->findings()));
        $strict = $bench->with(rules: $bench->installation->rules()->with(TestedBy::Another));
        self::assertContains(
            'test.own-work',
            Bench::codes((new Planner())->plan($strict->installation, new Record([...$made, ...$tests]))->findings()),
        );
        self::assertSame(['bo'], (new Record($made))->makers(['A-1']));
    }

    public function test_calibration_holds_through_its_last_day(): void
    {
        $instrument = new Instrument('i', 'Lamp', InstrumentKind::Lamp, '', '2026-03-09');
        self::assertFalse($instrument->isOverdue('2026-03-09T23:59:59Z'));
        self::assertTrue($instrument->isOverdue('2026-03-10T00:00:00Z'));
        self::assertFalse((new Instrument('i', 'Lamp', InstrumentKind::Lamp))->isOverdue('2999-01-01T00:00:00Z'));
        foreach (InstrumentKind::cases() as $kind) {
            self::assertNotSame([], $kind->methods());
            self::assertNotSame('', $kind->words());
        }
    }

    /** Property: the short way never loses the fault, and each step leaves no more than the one before. */
    public function test_the_short_way_narrows_down_to_the_fault(): void
    {
        foreach ([Bench::microphone(), Bench::category(), Bench::coax()] as $bench) {
            $expectation = $bench->expectation();
            [$patch, $places] = $bench->everywhere();
            $probing = new Probing($expectation, $places);
            $tried = 0;
            foreach (FaultSources::credible($places) as $source) {
                foreach ($source->in($patch) as $i => $fault) {
                    if ($i % 7 !== 0) {
                        continue;
                    }
                    $steps = $probing->to($fault);
                    self::assertSame(Method::Map, $steps[0]->method);
                    $left = array_values(array_filter(array_map(static fn ($step): int => $step->left, $steps)));
                    for ($n = 1; $n < count($left); $n++) {
                        self::assertLessThanOrEqual($left[$n - 1], $left[$n], $fault->key());
                    }
                    self::assertGreaterThan(
                        0.0,
                        array_sum(array_map(static fn ($step): float => $step->minutes(), $steps)),
                    );
                    $tried++;
                }
            }
            self::assertGreaterThan(5, $tried);
        }
    }

    /** One open core of a star-quad is dark to a lamp: what was measured in ohms is what narrows it down. */
    public function test_the_short_way_goes_by_what_was_measured(): void
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
        $expectation = $bench->expectation();
        [$patch, $places] = $bench->everywhere();
        $measured = 0;
        foreach (FaultSources::credible($places) as $source) {
            foreach ($source->in($patch) as $fault) {
                if ($fault->kind !== FaultKind::Open || count($fault->edges) !== 1) {
                    continue;
                }
                $steps = (new Probing($expectation, $places))->to($fault);
                foreach ($steps as $i => $step) {
                    if ($step->method === Method::Ohms && $i > 0) {
                        $measured++;
                        self::assertNotSame($steps[$i - 1]->left, $step->left, $fault->key().': it tells something');
                    }
                }
            }
        }
        self::assertGreaterThan(0, $measured);
    }
}
