<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

use LogicException;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\ContactNames;

/** What somebody answered, each checked against what there is. */
final readonly class PatternAnswers
{
    private const MOST = 200;

    /** m of a leg, a tail or a lead. */
    private const LONGEST = 200;

    /** @param  array<int|string, string>  $given  key → answer */
    private function __construct(private array $given)
    {
    }

    /**
     * @param  list<PatternQuestion>  $questions
     * @param  array<int|string, string>  $given
     *
     * @throws CannotJoin naming every answer that is wrong
     */
    public static function to(array $questions, array $given, Installation $in): self
    {
        $answers = $wrong = [];
        foreach ($questions as $question) {
            $answer = trim($given[$question->key] ?? '');
            $answer = $answer === '' ? $question->usual : $answer;
            $remedy = self::remedy($question, $answer, $in);
            if ($remedy !== null) {
                $wrong[] = CannotJoin::because($question->key, $answer, $remedy);
            }
            $answers[$question->key] = $answer;
        }

        return $wrong === [] ? new self($answers) : throw CannotJoin::several($wrong);
    }

    /** What to do about an answer; null: it is one. */
    private static function remedy(PatternQuestion $question, string $answer, Installation $in): ?string
    {
        if ($answer === '') {
            return $question->needed ? sprintf('Say this: %s.', mb_strtolower($question->label)) : null;
        }

        return match ($question->kind) {
            AnswerKind::Text => mb_strlen($answer) > 80 ? 'Shorten it to 80 characters.' : null,
            AnswerKind::Count => preg_match('~^\d{1,3}$~', $answer) === 1 && (int) $answer <= self::MOST
                ? null
                : sprintf('Write a whole number up to %d.', self::MOST),
            AnswerKind::Length => self::badLength($answer),
            AnswerKind::Place => $in->location($answer) === null ? 'There is no such place. Choose one.' : null,
            AnswerKind::Places => self::badPlaces($answer, $in),
            AnswerKind::Cable => $in->catalogue->cable($answer) === null ? 'There is no such cable. Choose one.' : null,
            AnswerKind::Signal => $in->catalogue->signal($answer) === null
                ? 'There is no such signal. Choose one.'
                : null,
            AnswerKind::Plan => $in->catalogue->contactPlan($answer) === null
                ? 'There is no such contact plan. Choose one.'
                : null,
            AnswerKind::Some => self::numbers($answer, self::MOST) === null
                ? 'Write numbers such as 1-4, 7, or all, or none.'
                : null,
            AnswerKind::Choice => isset($question->choices[$answer])
                ? null
                : sprintf('Choose one of: %s.', implode(', ', array_keys($question->choices))),
        };
    }

    private static function badLength(string $text): ?string
    {
        try {
            $length = Length::parse($text, 'm');
        } catch (InvalidMeasure) {
            return 'Write a length with its unit, such as 450 mm, 2 m or 8 in.';
        }

        return $length->isNegative() || $length->inMetres() > self::LONGEST
            ? sprintf('Write a length from nothing to %d m.', self::LONGEST)
            : null;
    }

    private static function badPlaces(string $text, Installation $in): ?string
    {
        $places = explode('|', $text);
        foreach ($places as $place) {
            if ($in->location(trim($place)) === null) {
                return sprintf('There is no place "%s". Choose places that there are.', trim($place));
            }
        }

        return count($places) < 2 ? 'Choose two places at least, in their order.' : null;
    }

    /** @return ?list<int> from 1; null where it cannot be read */
    private static function numbers(string $text, int $of): ?array
    {
        return match (mb_strtolower($text)) {
            'all' => range(1, max(1, $of)),
            'none' => [],
            default => ($found = ContactNames::read($text, array_map(strval(...), range(1, max(1, $of))), 0)) === null
                ? null
                : array_map(intval(...), $found),
        };
    }

    public function text(string $key): string
    {
        return $this->given[$key] ?? throw new LogicException(sprintf('Nobody was asked for "%s".', $key));
    }

    public function count(string $key): int
    {
        return (int) $this->text($key);
    }

    public function length(string $key): Length
    {
        return $this->text($key) === '' ? Length::zero() : Length::parse($this->text($key), 'm');
    }

    /** @return list<string> */
    public function places(string $key): array
    {
        return array_map(trim(...), explode('|', $this->text($key)));
    }

    /**
     * @param  int  $of  how many there are
     * @return array<int, true> by number, from 1
     *
     * @throws CannotJoin where one is beyond that
     */
    public function some(string $key, int $of): array
    {
        $numbers = self::numbers($this->text($key), $of) ?? throw CannotJoin::because(
            $key,
            $this->text($key),
            sprintf('There are %d. Write numbers up to that.', $of),
        );

        return array_fill_keys($numbers, true);
    }

    /** @throws CannotJoin where the plan has no channel for what is to go there */
    public function plan(string $key, Installation $in, SignalType $for): ContactPlan
    {
        $plan = $in->catalogue->theContactPlan($this->text($key));

        return $plan->channelsFor($for) !== [] ? $plan : throw CannotJoin::because(
            $key,
            $plan->name,
            sprintf('It has no contact for %s. Choose a plan for that signal.', $for->name),
        );
    }
}
