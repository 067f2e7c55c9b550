<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Proof\Diagnosing\CauseWords;
use Sartal\Core\Proof\Diagnosing\Fault;
use Sartal\Core\Proof\Diagnosing\FaultKind;
use Sartal\Core\Proof\Diagnosing\FaultSources;
use Sartal\Core\Proof\Diagnosing\StuckSwitches;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Testing\CertifierSense;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\ExpectedFigure;
use Sartal\Core\Proof\Testing\Question;
use Tests\Support\Bench;
use Tests\Support\Panel;

/** Which questions a method asks, and how what is expected comes about. */
final class QuestionsTest extends TestCase
{
    /** @return list<string> */
    private static function asked(Expectation $expectation, Method $method): array
    {
        return array_map(
            static fn (Question $question): string => $question->at,
            array_values($expectation->senses()->questions($method)),
        );
    }

    public function test_eyes_look_at_one_end_each(): void
    {
        $expectation = Bench::microphone()->expectation();
        foreach (['a' => Method::EyesA, 'b' => Method::EyesB] as $side => $method) {
            $asked = self::asked($expectation, $method);
            self::assertNotSame([], $asked);
            foreach ($asked as $at) {
                self::assertStringStartsWith('t:A-1.'.$side, $at);
            }
        }
    }

    public function test_ohms_are_asked_once_between_two_points_and_never_of_one(): void
    {
        foreach ([Bench::microphone(), Bench::stageBox(), Panel::split()] as $bench) {
            $asked = self::asked($bench->expectation(), Method::Ohms);
            self::assertNotSame([], $asked);
            $pairs = [];
            foreach ($asked as $at) {
                $ends = explode('|', $at);
                self::assertNotSame($ends[0], $ends[1]);
                sort($ends);
                $pairs[] = implode('|', $ends);
            }
            self::assertSame($pairs, array_values(array_unique($pairs)), 'there and back are one');
        }
    }

    /** Mains against everything that is not: IEC 60364-6, from memory. */
    public function test_insulation_of_mains_is_asked_against_all_that_is_not(): void
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
        $asked = self::asked($bench->expectation(), Method::Insulation);
        $between = static fn (string $one, string $other): bool => array_filter(
            $asked,
            static fn (string $at): bool => str_contains($at, $one) && str_contains($at, $other),
        ) !== [];
        self::assertTrue($between('t:P-1.a1/', 't:P-1.a2/'), 'a live contact and one of the microphone line');
        $plain = self::asked(Bench::stageBox()->expectation(), Method::Insulation);
        self::assertSame(
            [],
            array_filter($plain, static function (string $at): bool {
                [$one, $other] = explode('|', $at);

                // Channels of one multicore are asked within themselves alone: there is no mains in it.
                return ! str_contains($at, 'shell') && substr($one, 0, 9) !== substr($other, 0, 9);
            }),
        );
    }

    public function test_how_a_length_and_a_capacitance_come_about(): void
    {
        $category = Bench::category()->expectation();
        $lengths = array_values(
            array_filter(
                $category->senses()->questions(Method::Certifier),
                static fn (Question $question): bool => CertifierSense::asked($question->at) === CertifierSense::LENGTH,
            ),
        );
        $figure = ExpectedFigure::work($category, $lengths[0]);
        self::assertSame('cut length', $figure?->terms[0]->detail);

        $microphone = Bench::microphone()->expectation();
        foreach ($microphone->senses()->questions(Method::Capacitance) as $question) {
            $figure = ExpectedFigure::work($microphone, $question);
            self::assertNotNull($figure);
            foreach ($figure->terms as $term) {
                self::assertMatchesRegularExpression(
                    '/^[0-9.]+ m × [1-9][0-9]* pF per m, core to screen$/',
                    $term->detail,
                );
                preg_match('/^([0-9.]+) m × ([0-9]+) pF/', $term->detail, $m);
                self::assertSame(
                    Figure::amount(((float) $m[1] * (float) $m[2]) / 1000, 'nF', 1),
                    self::rounded($term->amount),
                );
            }
        }
        foreach ($microphone->senses()->questions(Method::Ohms) as $question) {
            self::assertNotSame('cut length', ExpectedFigure::work($microphone, $question)->terms[0]->detail ?? '');
        }
    }

    private static function rounded(string $amount): string
    {
        return Figure::amount((float) $amount, 'nF', 1);
    }

    public function test_several_runs_are_told_in_the_order_in_which_they_were_heard_of(): void
    {
        $event = static fn (string $id, string $run, int $second): Event => new Event(
            $id,
            EventKind::Labelled,
            $run,
            null,
            'x',
            '2026-03-09T08:00:00.000000Z',
            sprintf('2026-03-09T08:00:%02d.000000Z', $second),
            '',
        );
        $record = new Record([$event('1', 'A-1', 3), $event('2', 'A-2', 1), $event('3', 'A-1', 2)]);
        self::assertSame(
            ['2', '3', '1'],
            array_map(static fn (Event $each): string => $each->id, $record->together(['A-1', 'A-2'])),
        );
    }

    public function test_what_touches_a_shell_is_named_whichever_of_the_two_comes_first(): void
    {
        $bench = Bench::microphone();
        $words = new CauseWords($bench->installation, $bench->plan()->runs['A-1']->joints());
        $name = static fn (FaultKind $kind, string ...$nodes): string => $words->name(
            new Fault($kind, array_values($nodes), [], new WiringEdit([])),
        );
        foreach ([FaultKind::ShellBond, FaultKind::Open] as $kind) {
            $said = $name($kind, 't:A-1.a1/2', 't:A-1.a1/shell');
            self::assertSame($said, $name($kind, 't:A-1.a1/shell', 't:A-1.a1/2'));
            self::assertStringContainsStringIgnoringCase('hot', $said);
        }
    }

    /** Two data lines that share a terminal: every point is asked from and to. */
    private static function chain(): Bench
    {
        $line = static fn (string $id): RunRequest => Bench::request(
            $id,
            'data-pair-120',
            ['rs485'],
            ['terminal3-rs485'],
            ['terminal3-rs485'],
        );
        $bench = Bench::of($line('D-1'), $line('D-2'));
        $second = $bench->installation->theRun('D-2');
        $leg = $second->a->legs[0];
        self::assertNotNull($leg->landing);
        $landed = new Leg(
            ...['landing' => new Landing(...['fitting' => 'D-1.b1'] + get_object_vars($leg->landing))] +
                get_object_vars($leg),
        );
        $end = new End(...['legs' => [$landed]] + get_object_vars($second->a));
        $carried = [new Carriage($second->carries[0]->element, 'D-1.c1')];
        $shared = $bench->installation->theFitting('D-1.b1');

        return $bench
            ->withRun(new Run(...['a' => $end, 'carries' => $carried] + get_object_vars($second)))
            ->with(
                fittings: ['D-1.b1' => new Fitting(...['shared' => ['1', '2', '3']] + get_object_vars($shared))] +
                    $bench->installation->fittings(),
            );
    }

    public function test_where_every_point_is_asked_from_and_to_nothing_is_asked_twice_or_answers_itself(): void
    {
        $bench = self::chain();
        $plan = $bench->plan();
        $expectation = $bench->assemblies($plan)->expectation($plan->assemblies[$plan->assemblyOf['D-1']]);
        self::assertSame(array_keys($expectation->setup->from), array_keys($expectation->setup->to));
        $pairs = [];
        foreach (self::asked($expectation, Method::Ohms) as $at) {
            $ends = explode('|', $at);
            self::assertNotSame($ends[0], $ends[1]);
            sort($ends);
            $pairs[] = implode('|', $ends);
        }
        self::assertNotSame([], $pairs);
        self::assertSame($pairs, array_values(array_unique($pairs)));

        // A core that is broken at its first end reaches nothing but itself.
        $noise = $expectation->senses()->questions(Method::Noise);
        self::assertNotSame([], $noise);
        $heard = static fn (Question $question, WiringEdit ...$faults): mixed => $expectation
            ->senses()
            ->answer($question, array_values($faults));
        self::assertSame('clean', $heard($noise[0]));
        $silent = 0;
        foreach ($expectation->wiring->edges as $edge) {
            if ($edge->kind === EdgeKind::Joint && str_contains($edge->to, 'D-1.a1')) {
                $silent += $heard($noise[0], new WiringEdit([$edge->id => null])) === 'silent' ? 1 : 0;
            }
        }
        self::assertSame(2, $silent, 'each core of the pair');
    }

    public function test_a_switch_of_two_contacts_may_stick_as_a_whole_or_in_one_of_them(): void
    {
        $of = static function (array $switches): int {
            $bench = Bench::of(
                Bench::request(
                    'A-1',
                    'pair-foil',
                    ['analogue'],
                    ['trs-jack-mute-balanced'],
                    ['trs-jack-mute-balanced'],
                ),
            )->withCatalogueEdited(['connectors.trs-jack-mute.switches' => $switches]);
            [$patch] = $bench->everywhere();
            self::assertCount(2, $patch->switches, 'one at each end');

            return count([...(new StuckSwitches())->in($patch)]);
        };
        // At rest or operated: two states of each end's one contact; of two contacts together and of each alone.
        self::assertSame(4, $of(self::mute([['tip', 'sleeve']])));
        self::assertSame(12, $of(self::mute([['tip', 'sleeve'], ['ring', 'sleeve']])));
    }

    /**
     * @param  list<array{string, string}>  $contacts
     * @return list<array<string, mixed>>
     */
    private static function mute(array $contacts): array
    {
        /** @var array{switches: list<array<string, mixed>>} $type */
        $type = json_decode(
            (string) file_get_contents(dirname(__DIR__, 3).'/catalogue/connectors/trs-jack-mute.json'),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );

        return [['atRest' => $contacts] + $type['switches'][0]];
    }

    public function test_a_shifted_row_may_have_left_its_last_core_over(): void
    {
        $bench = Bench::microphone();
        [$patch, $places] = $bench->everywhere();
        $counts = [];
        foreach (FaultSources::wide($places) as $source) {
            foreach ($source->in($patch) as $fault) {
                if ($fault->kind === FaultKind::Shift && $fault->by !== 0) {
                    $counts[count($fault->edges)] = true;
                }
            }
        }
        ksort($counts);
        self::assertContains(2, array_keys($counts), 'two of three moved on, the third hangs loose');
    }
}
