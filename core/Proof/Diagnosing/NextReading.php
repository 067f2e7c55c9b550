<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

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
        $supposed = array_map(fn (Cause $cause): Supposed => new Supposed($this->expectation, $cause), $causes);
        $nodes = Supposed::concerned($causes, $this->expectation);
        $best = null;
        foreach ([false, true] as $opened) {
            foreach ($this->methods as $method) {
                foreach (
                    Methods::card($method)->opens === $opened ? $this->candidates($method, $nodes) : [] as $questions
                ) {
                    $separation = $this->separated($method, $questions, $supposed);
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
     * @param  list<Supposed>  $supposed  causes
     */
    private function separated(Method $method, array $questions, array $supposed): Separation
    {
        /** @var list<Answer> $answers */
        $answers = [];
        foreach ($supposed as $i => $each) {
            $said = count($questions) === 1 ? $each->says($questions[0]) : self::seen($questions, $each);
            foreach ($answers as $k => $answer) {
                if ($this->looksTheSame($questions[0], $answer->value, $said)) {
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
    private static function seen(array $questions, Supposed $supposed): string
    {
        return implode(
            '; ',
            array_map(static function (Question $question) use ($supposed): string {
                $answer = $supposed->says($question);

                return is_array($answer) ? implode(' and ', $answer) : (string) $answer;
            }, $questions),
        );
    }

    /**
     * As an instrument of the kind shows them: a meter for megohms shows no ohms.
     *
     * @param  list<string>|float|string  $one
     * @param  list<string>|float|string  $other
     */
    private function looksTheSame(Question $question, array|float|string $one, array|float|string $other): bool
    {
        if (! is_float($one) || ! is_float($other)) {
            return $one === $other;
        }
        $senses = $this->expectation->senses();
        if ($senses->agree($question, $one, $other) || $senses->agree($question, $other, $one)) {
            return true;
        }

        return ! is_infinite($one) &&
            ! is_infinite($other) &&
            abs($one - $other) <= self::APART * max(abs($one), abs($other));
    }

    private static function isBetter(Separation $one, Separation $other): bool
    {
        return [$one->left(), Methods::card($one->method)->minutes] < [
            $other->left(),
            Methods::card($other->method)->minutes,
        ];
    }
}
