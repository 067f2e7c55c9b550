<?php

declare(strict_types=1);

namespace App\Http\Resources\Proof;

use App\Planning\Loaded;
use App\Testing\UnderTest;
use Sartal\Core\File\ReadingCodec;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Proof\Diagnosing\Answer;
use Sartal\Core\Proof\Diagnosing\Cause;
use Sartal\Core\Proof\Diagnosing\EndToOpen;
use Sartal\Core\Proof\Diagnosing\Entries;
use Sartal\Core\Proof\Diagnosing\Fault;
use Sartal\Core\Proof\Diagnosing\FaultKind;
use Sartal\Core\Proof\Diagnosing\NextReading;
use Sartal\Core\Proof\Diagnosing\Separation;
use Sartal\Core\Proof\Diagnosing\Trouble;
use Sartal\Core\Proof\Record\Together;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\LinkLimits;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Sample;
use Sartal\Core\Proof\Testing\TestPlan;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * What a reading comes to: the verdict, what would explain it, what to open and what to read next.
 *
 * @phpstan-type Judgement array{
 *     verdict: value-of<Verdict>,
 *     wrong: list<string>,
 *     wrongPairs: list<string>,
 *     wrongSamples: list<array{method: value-of<Method>, at: string, state: string}>,
 *     over: list<string>,
 *     unread: int,
 *     missing: list<array{method: value-of<Method>, words: string, binding: bool}>,
 *     domains: list<DomainJudged>,
 *     troubles: list<array{
 *         lines: list<string>,
 *         pairs: list<string>,
 *         causes: list<list<array{
 *             words: string,
 *             consequence: string,
 *             kind: value-of<FaultKind>,
 *             side: string,
 *             fitting: string,
 *             edges: list<string>,
 *         }>>,
 *         entries: list<array{causes: list<int>, of: int}>,
 *         partly: array{words: list<string>, side: string, explained: int, wrong: int}|null,
 *         more: int,
 *         open: OpenEnd|null,
 *         next: ReadNext|null,
 *     }>,
 * }
 * @phpstan-type ReadNext array{
 *     method: value-of<Method>,
 *     words: string,
 *     unit: string,
 *     at: string,
 *     state: string,
 *     left: float,
 *     answers: list<array{value: float|list<string>|string, causes: list<int>}>,
 * }
 * @phpstan-type DomainJudged array{domain: value-of<HazardDomain>, verdict: value-of<Verdict>, by: string}
 * @phpstan-type OpenEnd array{side: string, fitting: string, reasons: list<string>}
 */
final class JudgementResource
{
    /** Causes of one trouble that are listed: nobody reads further. */
    private const LISTED = 24;

    /**
     * @param  array<int|string, string>  $people  names by id
     * @return Judgement
     */
    public static function of(Reading $reading, UnderTest $test, TestStage $stage, array $people): array
    {
        $expectation = $test->expectation();
        $plan = $test->plan($stage);
        $trials = count($plan->domains()) > 1 ? $test->trials() : Trials::among([]);
        $together = Together::of($reading, $plan, $expectation, $trials);
        $whole = $together->reading;
        $words = $test->words();
        $first = $test->firstToOpen();
        $installation = $test->loaded->installation;

        return [
            'verdict' => $plan->verdict($expectation, $whole)->value,
            'wrong' => $expectation->wrongLines($reading),
            'wrongPairs' => $expectation->wrongPairs($reading),
            'wrongSamples' => array_map(
                static fn (Sample $sample): array => [
                    'method' => $sample->question->method->value,
                    'at' => $sample->question->at,
                    'state' => $sample->question->state,
                ],
                $expectation->wrongSamples($reading),
            ),
            'over' => LinkLimits::over($expectation, $reading),
            'unread' => count($expectation->unreadLines($reading)),
            'missing' => array_map(
                static fn (Method $method): array => [
                    'method' => $method->value,
                    'words' => Methods::card($method)->words,
                    'binding' => in_array($method, $plan->missing($expectation, $whole, true), true),
                ],
                $plan->missing($expectation, $whole),
            ),
            'domains' => self::domains($plan, $expectation, $together, $trials, $people),
            'troubles' => array_map(static function (Trouble $trouble) use (
                $words,
                $installation,
                $first,
                $expectation,
                $reading,
                $test,
            ): array {
                $open = $first->among($trouble);

                return [
                    'lines' => $trouble->lines,
                    'pairs' => $trouble->pairs,
                    'causes' => array_map(
                        static fn (Cause $cause): array => array_map(
                            static fn (Fault $fault): array => [
                                'words' => $words->name($fault),
                                'consequence' => $words->consequence($fault),
                                'kind' => $fault->kind->value,
                                'side' => $words->side($fault),
                                'fitting' => $installation->fittings()[$words->fitting($fault)]->label ?? '',
                                'edges' => $fault->edges,
                            ],
                            $cause->faults,
                        ),
                        array_slice($trouble->causes, 0, self::LISTED),
                    ),
                    'entries' => self::entries($trouble, $expectation),
                    'partly' => $trouble->partly === null
                            ? null
                            : [
                                'words' => array_map($words->name(...), $trouble->partly->cause->faults),
                                'side' => $words->side($trouble->partly->cause->faults[0]),
                                'explained' => $trouble->partly->explained,
                                'wrong' => $trouble->partly->wrong,
                            ],
                    'more' => max(0, count($trouble->causes) - self::LISTED),
                    'open' => self::open($open, $test->loaded),
                    'next' => self::next(
                        (new NextReading($expectation, $reading, self::methods($test, $open)))->after($trouble),
                    ),
                ];
            }, $test->diagnosis($reading)->troubles),
        ];
    }

    /** @return list<array{causes: list<int>, of: int}> of each, which of its causes are listed, and how many it has */
    private static function entries(Trouble $trouble, Expectation $expectation): array
    {
        $number = [];
        foreach (array_slice($trouble->causes, 0, self::LISTED) as $i => $cause) {
            $number[spl_object_id($cause)] = $i;
        }
        $entries = [];
        foreach (Entries::of($trouble, $expectation) as $entry) {
            $listed = array_values(
                array_filter(
                    array_map(static fn (Cause $cause): ?int => $number[spl_object_id($cause)] ?? null, $entry),
                    static fn (?int $number): bool => $number !== null,
                ),
            );
            $entries[] = ['causes' => $listed, 'of' => count($entry)];
        }

        return $entries;
    }

    /**
     * What is at hand; of the two ends, the one to open comes first.
     *
     * @return list<Method>
     */
    private static function methods(UnderTest $test, ?EndToOpen $open): array
    {
        $methods = $test->atHand();
        $look = match ($open?->side) {
            'A' => Method::EyesA,
            'B' => Method::EyesB,
            default => null,
        };

        return $look === null
            ? $methods
            : [$look, ...array_values(array_filter($methods, static fn (Method $method): bool => $method !== $look))];
    }

    /** @return ?ReadNext */
    private static function next(?Separation $separation): ?array
    {
        return $separation === null
            ? null
            : [
                'method' => $separation->method->value,
                'words' => Methods::card($separation->method)->words,
                'unit' => Methods::card($separation->method)->unit,
                'at' => $separation->question->at ?? '',
                'state' => $separation->question->state ?? '',
                'left' => round($separation->left(), 1),
                'answers' => array_map(
                    static fn (Answer $answer): array => [
                        'value' => $separation->question === null ? '' : ReadingCodec::value($answer->value),
                        'causes' => $answer->causes,
                    ],
                    $separation->answers,
                ),
            ];
    }

    /** @return ?OpenEnd */
    private static function open(?EndToOpen $end, Loaded $loaded): ?array
    {
        return $end === null
            ? null
            : [
                'side' => $end->side,
                'fitting' => $loaded->installation->fittings()[$end->fitting]->label ?? $end->fitting,
                'reasons' => $end->reasons,
            ];
    }

    /**
     * Of a composite, how far each of its two is, and by whom what was not read now.
     *
     * @param  array<int|string, string>  $people
     * @return list<DomainJudged>
     */
    private static function domains(
        TestPlan $plan,
        Expectation $expectation,
        Together $together,
        Trials $trials,
        array $people,
    ): array {
        $by = [];
        foreach ($trials->all() as $trial) {
            $by[$trial->id] = $people[$trial->by] ?? $trial->by;
        }
        $domains = $plan->domains();

        return count($domains) < 2 ? [] : array_map(
            static fn (HazardDomain $domain): array => [
                'domain' => $domain->value,
                'verdict' => $plan->in($domain)->verdict(
                    $expectation,
                    $plan->share($domain, $expectation, $together->reading),
                )->value,
                'by' => $by[$together->rests[$domain->value] ?? ''] ?? '',
            ],
            $domains,
        );
    }
}
