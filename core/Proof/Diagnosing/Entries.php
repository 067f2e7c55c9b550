<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Question;

/**
 * Causes as somebody reads them. What nothing that is measured from outside can tell apart is one entry: what is
 * exchanged at this end or at that one, or one of two cores of one colour. Where it takes several faults together, one
 * entry are faults of the same sorts wherever they sit: of a bridge and a core out of place there are hundreds that
 * read alike, and what comes next is the same reading.
 */
final class Entries
{
    /** Causes compared, at most: further down the list nobody acts. */
    private const COMPARED = 60;

    /** @return list<non-empty-list<Cause>> likeliest first, in each the likeliest first */
    public static function of(Trouble $trouble, Expectation $expectation): array
    {
        $entries = self::single($trouble->causes, $expectation);
        foreach ($trouble->causes as $cause) {
            if (count($cause->faults) > 1) {
                $sorts = array_map(static fn (Fault $fault): string => $fault->kind->sort(), $cause->faults);
                sort($sorts, SORT_STRING);
                $entries[implode('+', $sorts)][] = $cause;
            }
        }

        return array_values($entries);
    }

    /**
     * @param  list<Cause>  $causes
     * @return array<int|string, non-empty-list<Cause>> single faults, by all that could be read of them
     */
    private static function single(array $causes, Expectation $expectation): array
    {
        $single = array_values(array_filter($causes, static fn (Cause $cause): bool => count($cause->faults) === 1));
        [$compared, $rest] = [array_slice($single, 0, self::COMPARED), array_slice($single, self::COMPARED)];
        $nodes = Supposed::concerned($compared, $expectation);
        $questions = [];
        foreach (Method::cases() as $method) {
            if (! Methods::card($method)->opens) {
                array_push($questions, ...$expectation->senses()->about($method, $nodes));
            }
        }
        $entries = [];
        foreach ($compared as $cause) {
            $supposed = new Supposed($expectation, $cause);
            $reads = array_map(
                static fn (Question $question): array|string => self::rounded($supposed->says($question)),
                $questions,
            );
            $entries[hash('xxh128', serialize($reads))][] = $cause;
        }

        return [...$entries, ...array_map(static fn (Cause $cause): array => [$cause], $rest)];
    }

    /**
     * What is reckoned in another order differs in the last digit.
     *
     * @param  list<string>|float|string  $answer
     * @return list<string>|string
     */
    private static function rounded(array|float|string $answer): array|string
    {
        return is_float($answer) ? sprintf('%.5g', $answer) : $answer;
    }
}
