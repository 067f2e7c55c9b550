<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Fingerprint;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Plan\Planning\Strand;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Proof\Record\CutNoted;
use Sartal\Core\Proof\Record\EndMade;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;
use Sartal\Core\Work\Cutting\LengthToCut;
use Sartal\Core\Work\Cutting\StockTake;
use Tests\Support\Bench;

/**
 * What work relied on is facts: words, units and places in a list change nothing, and what later editions add overtakes
 * nothing.
 */
final class FactsTest extends TestCase
{
    /** @return array<int|string, Operation> */
    private static function operations(Bench $bench): array
    {
        $plan = $bench->plan();
        $operations = [];
        foreach ($plan->assemblies as $assembly) {
            array_push($operations, ...(new OperationPlanner($bench->installation))->of($assembly, $plan->runs));
        }

        return Traveller::order($operations, $bench->installation->rules())->operations;
    }

    /** @return iterable<string, array{Bench}> */
    public static function benches(): iterable
    {
        yield 'microphone' => [Bench::microphone()];
        yield 'category' => [Bench::category()];
        yield 'coax' => [Bench::coax()];
        yield 'stage box' => [Bench::stageBox()];
    }

    /** As the first edition wrote it down; kept here as it was, apart from the code that reads it. */
    private static function first(Operation $operation): string
    {
        $cores = $lengths = [];
        foreach ($operation->cores as $core) {
            $cores[] = [$core->run, $core->conductor, $core->colour];
        }
        foreach ($operation->lengths as $cut) {
            $lengths[] = [$cut->length->nanometres, $cut->for];
        }
        $of = [
            $operation->task->value,
            $operation->words,
            $operation->detail,
            $operation->at?->nanometres,
            $operation->part,
            $operation->address,
            $cores,
            $lengths,
        ];

        return substr(hash('xxh128', serialize($of)), 0, 16);
    }

    /** @param  array<string, mixed>  $more */
    private static function event(EventKind $kind, ?Side $side, string $fingerprint, array $more = []): Event
    {
        static $count = 0;
        $count++;
        $at = sprintf('2026-03-09T08:%02d:%02d.000000Z', intdiv($count, 60) % 60, $count % 60);

        return new Event(
            ...$more + [
                'id' => sprintf('00000000-0000-4000-8000-%012d', $count),
                'kind' => $kind,
                'run' => 'A-1',
                'side' => $side,
                'by' => 'ines',
                'at' => $at,
                'received' => $at,
                'fingerprint' => $fingerprint,
            ],
        );
    }

    private static function done(Operation $operation, string $fingerprint, ?string $step = null): Event
    {
        return self::event($operation->task->event(), $operation->side, $fingerprint, [
            'run' => $operation->run,
            'step' => $step ?? $operation->id,
        ]);
    }

    #[DataProvider('benches')]
    public function test_no_two_steps_have_one_name_of_either_edition(Bench $bench): void
    {
        $names = [];
        foreach (self::operations($bench) as $operation) {
            foreach (array_unique(array_filter([$operation->id, $operation->step->first])) as $name) {
                self::assertArrayNotHasKey($name, $names, 'said twice');
                $names[$name] = true;
            }
        }
        self::assertGreaterThan(8, count($names));
    }

    #[DataProvider('benches')]
    public function test_another_choice_of_words_overtakes_nothing_and_another_fact_does(Bench $bench): void
    {
        $copy = static function (Operation $of, array $changes): Operation {
            $all = get_object_vars($of);
            unset($all['id']);

            return new Operation(...[...$all, ...$changes]);
        };
        foreach (self::operations($bench) as $operation) {
            $is = OperationFacts::fingerprint($operation);
            self::assertMatchesRegularExpression('/^3\.[0-9a-f]{16}$/', $is);
            foreach (['words', 'detail', 'place', 'why', 'tool', 'check', 'like'] as $said) {
                self::assertSame(
                    $is,
                    OperationFacts::fingerprint($copy($operation, [$said => 'anders gesagt'])),
                    $said,
                );
            }
            self::assertSame(
                $is,
                OperationFacts::fingerprint($copy($operation, ['cores' => array_reverse($operation->cores)])),
            );
            $facts = [
                'task' => $operation->task === Task::Tug ? Task::Tin : Task::Tug,
                'part' => 'another-part',
                'address' => 'Z9',
                'facts' => ['another'],
                'at' => Length::millimetres(123_456),
                ...$operation->cores === [] ? [] : ['cores' => array_slice($operation->cores, 1)],
            ];
            foreach ($operation->sum === null ? $facts : array_diff_key($facts, ['at' => 0]) as $fact => $other) {
                self::assertNotSame($is, OperationFacts::fingerprint($copy($operation, [$fact => $other])), $fact);
            }
            self::assertFalse(OperationFacts::stand($operation, '9.0123456789abcdef'), 'of an edition to come');
            self::assertFalse(OperationFacts::stand($operation, ''));
        }
    }

    private static function prints(Length $later): Fingerprints
    {
        $terms = [
            new Term('Way', '', Length::millimetres(4_010), 'test'),
            new Term('Working length', '', $later, 'test', Edition::Second),
        ];

        return new Fingerprints(
            'cable',
            Worked::roundedUp($terms, Length::millimetres(100)),
            ['A' => ['red>F.1', 'black>F.2'], 'B' => ['red>G.1', 'black>G.2']],
            [['A-1', 'to B'], ['A-1', 'to A']],
            [['w1'], 'here', 'there'],
            null,
        );
    }

    public function test_a_piece_need_not_reach_for_what_its_edition_did_not_know_of(): void
    {
        $run = Bench::microphone()->installation->runs()['A-1'];
        $prints = self::prints(Length::millimetres(400));
        $cut = static fn (int $mm, string $print): Event => self::event(EventKind::Cut, null, $print, [
            'says' => new CutNoted(new CutMade(Length::millimetres($mm), cable: 'cable')),
        ]);
        $first = substr(hash('xxh128', serialize(['cable', Length::millimetres(4_100)->nanometres])), 0, 16);
        $bead = static fn (Event $event): BeadState => Strand::read($run, [$event], $prints)[0]->state;
        self::assertSame(BeadState::Done, $bead($cut(4_100, $first)));
        self::assertSame(BeadState::Failed, $bead($cut(4_099, $first)), 'shorter than its own edition asked for');
        $now = $prints->for(EventKind::Cut, null);
        self::assertSame(BeadState::Done, $bead($cut(4_500, $now)));
        self::assertSame(BeadState::Failed, $bead($cut(4_100, $now)));
        self::assertFalse(StockTake::isShort($cut(4_100, $first), LengthToCut::of($prints->cut)));
        self::assertTrue(StockTake::isShort($cut(4_100, $now), LengthToCut::of($prints->cut)));
        self::assertSame(BeadState::Overtaken, $bead($cut(9_999, '0123456789abcdef')));
    }

    public function test_an_end_stands_as_long_as_its_joints_do(): void
    {
        $prints = self::prints(Length::zero());
        $made = static fn (string $print, array $joints): Event => self::event(EventKind::Joined, Side::A, $print, [
            'says' => new EndMade($joints),
        ]);
        $stands = static fn (string $print, string ...$joints): bool => $prints->stand($made($print, $joints));
        self::assertTrue($stands('0123456789abcdef', 'black>F.2', 'red>F.1'));
        self::assertTrue($stands('2.0123456789abcdef', 'red>F.1', 'black>F.2'));
        self::assertFalse($stands('0123456789abcdef', 'red>F.2', 'black>F.1'));
        self::assertFalse($stands('0123456789abcdef', 'red>F.1'));
        self::assertFalse($stands('0123456789abcdef'), 'nothing was written down');
        self::assertFalse($stands('', 'red>F.1', 'black>F.2'), 'it relied on nothing');
        self::assertFalse($stands('7.0123456789abcdef', 'red>F.1', 'black>F.2'), 'of an edition to come');
        self::assertTrue($stands(substr(hash('xxh128', serialize(['red>F.1', 'black>F.2'])), 0, 16)));
    }

    public function test_steps_are_told_apart_by_their_own_class_alone(): void
    {
        $join = StepId::ofFitting('F|1', StepKind::Join, '2')->text();
        self::assertTrue(StepId::joinsIn($join, 'F|1'));
        self::assertTrue(StepId::isAt($join, 'F|1'));
        self::assertFalse(StepId::isAt($join, 'F|10'));
        self::assertFalse(StepId::joinsIn(StepId::ofFitting('F|1', StepKind::Tug)->text(), 'F|1'));
        self::assertTrue(StepId::isOfRun('A-1|cut', 'A-1', StepKind::Cut));
        self::assertFalse(StepId::isOfRun('A-1|cut', 'A-1|cut', StepKind::Cut));
    }

    public function test_a_fingerprint_says_by_which_edition_it_is(): void
    {
        self::assertSame(Edition::First, Fingerprint::edition('0123456789abcdef'));
        self::assertSame(Edition::Second, Fingerprint::edition(Fingerprint::make([1], Edition::Second)));
        self::assertSame(Edition::Third, Fingerprint::edition(Fingerprint::make([1], Edition::Third)));
        self::assertNull(Fingerprint::edition('4.0123456789abcdef'));
    }
}
