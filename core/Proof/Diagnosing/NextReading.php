<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Question;
use Sartal\Core\Proof\Testing\Reading;

/**
 * Which reading comes next: the one that leaves the fewest causes on average
 * of those that read the same so far, the quicker one where two leave as
 * many. Opening an end comes last, because it costs the joint its rest.
 */
final readonly class NextReading
{
    /** Causes compared, at most: further down the list nobody acts. */
    private const COMPARED = 60;

    /** A number counts as another one from this share on. */
    private const APART = 0.3;

    /** @param  list<Method>  $methods  that are at hand */
    public function __construct(private Expectation $expectation, private Reading $reading, private array $methods)
    {
    }

    /** Null where there is one cause, or nothing that parts them. */
    public function after(Trouble $trouble): ?Separation
    {
        $causes = array_slice($trouble->causes, 0, self::COMPARED);
        if (count($causes) < 2) {
            return null;
        }
        $wirings = array_map(fn (Cause $cause): Wiring => $this->wired($cause), $causes);
        $nodes = $this->concerned($causes);
        $best = null;
        foreach ([false, true] as $opened) {
            foreach ($this->methods as $method) {
                foreach (
                    Methods::card($method)->opens === $opened ? $this->candidates($method, $nodes) : [] as $questions
                ) {
                    $separation = $this->separated($method, $questions, $causes, $wirings);
                    if (count($separation->answers) > 1 && ($best === null || self::isBetter($separation, $best))) {
                        $best = $separation;
                    }
                }
            }
            if ($best !== null) {
                return $best;
            }
        }

        return null;
    }

    /**
     * Single questions; of an opened end all of them, because they are seen together.
     *
     * @param  array<int|string, true>  $nodes
     * @return list<non-empty-list<Question>>
     */
    private function candidates(Method $method, array $nodes): array
    {
        $open = array_values(
            array_filter(
                $this->expectation->senses()->about($method, $nodes),
                fn (Question $question): bool => ! isset($this->reading->samples[$question->key()]) &&
                    ! $this->isRead($question),
            ),
        );

        return Methods::card($method)->opens
            ? ($open === []
                ? []
                : [$open])
            : array_map(static fn (Question $question): array => [$question], $open);
    }

    private function isRead(Question $question): bool
    {
        return match ($question->method) {
            Method::Map, Method::Shells => isset($this->reading->lights[$question->at]),
            Method::Pairs => $this->reading->splits !== null,
            default => false,
        };
    }

    /**
     * @param  non-empty-list<Question>  $questions
     * @param  list<Cause>  $causes
     * @param  list<Wiring>  $wirings
     */
    private function separated(Method $method, array $questions, array $causes, array $wirings): Separation
    {
        /** @var list<Answer> $answers */
        $answers = [];
        foreach ($causes as $i => $cause) {
            $said =
                count($questions) === 1
                    ? $this->said($questions[0], $cause, $wirings[$i])
                    : $this->seen($questions, $cause, $wirings[$i]);
            foreach ($answers as $k => $answer) {
                if (self::looksTheSame($answer->value, $said)) {
                    $answers[$k] = $answer->alsoBy($i);

                    continue 2;
                }
            }
            $answers[] = new Answer($said, [$i]);
        }

        return new Separation($method, Methods::card($method)->opens ? null : $questions[0], $answers);
    }

    /**
     * All that an opened end shows, as one.
     *
     * @param  non-empty-list<Question>  $questions
     */
    private function seen(array $questions, Cause $cause, Wiring $wiring): string
    {
        return implode(
            '; ',
            array_map(function (Question $question) use ($cause, $wiring): string {
                $answer = $this->said($question, $cause, $wiring);

                return is_array($answer) ? implode(' and ', $answer) : (string) $answer;
            }, $questions),
        );
    }

    /** @return list<string>|float|string */
    private function said(Question $question, Cause $cause, Wiring $wiring): array|float|string
    {
        $senses = $this->expectation->senses();

        return $question->state === ''
            ? $senses->answerOf($wiring, $question)
            : $senses->answer($question, self::edits($cause));
    }

    /**
     * @param  list<string>|float|string  $one
     * @param  list<string>|float|string  $other
     */
    private static function looksTheSame(array|float|string $one, array|float|string $other): bool
    {
        if (! is_float($one) || ! is_float($other) || is_infinite($one) || is_infinite($other)) {
            return $one === $other;
        }

        return is_nan($one) || is_nan($other) || abs($one - $other) <= self::APART * max(abs($one), abs($other));
    }

    private static function isBetter(Separation $one, Separation $other): bool
    {
        return [$one->left(), Methods::card($one->method)->minutes] < [
            $other->left(),
            Methods::card($other->method)->minutes,
        ];
    }

    private function wired(Cause $cause): Wiring
    {
        return array_reduce(
            $cause->faults,
            static fn (Wiring $wiring, Fault $fault): Wiring => $wiring->edited($fault->edit),
            $this->expectation->wiring,
        );
    }

    /** @return list<WiringEdit> */
    private static function edits(Cause $cause): array
    {
        return array_map(static fn (Fault $fault): WiringEdit => $fault->edit, $cause->faults);
    }

    /**
     * @param  list<Cause>  $causes
     * @return array<int|string, true> nodes that conduct to what any of them changes
     */
    private function concerned(array $causes): array
    {
        $nodes = [];
        foreach ($causes as $cause) {
            foreach ($cause->faults as $fault) {
                $nodes += $this->expectation->wiring->around($fault->edit, $this->expectation->wiring);
            }
        }

        return $nodes;
    }
}
