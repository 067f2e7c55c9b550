<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Measure\Figure;
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
}
