<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Contract\Map;
use App\Planning\Loaded;
use App\Planning\ShippedPatterns;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\GivenPattern;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Joining\Drawn;
use Sartal\Core\Plan\Patterns\AnswerKind;
use Sartal\Core\Plan\Patterns\PatternKind;
use Sartal\Core\Plan\Patterns\PatternQuestion;
use Sartal\Core\Plan\Planning\Planner;

/**
 * Patterns with what they ask, and what one comes to with the answers that it was given.
 *
 * @phpstan-import-type FigureShown from PlanEncoder
 * @phpstan-import-type FindingShown from PlanEncoder
 * @phpstan-import-type WorkedOut from PlanEncoder
 *
 * @phpstan-type PatternLine array{
 *     id: string,
 *     name: string,
 *     words: string,
 *     kind: value-of<PatternKind>,
 *     own: bool,
 *     version: int,
 *     answers: Map<string>,
 * }
 * @phpstan-type PatternAsk array{
 *     key: string,
 *     label: string,
 *     kind: value-of<AnswerKind>,
 *     usual: string,
 *     hint: string,
 *     needed: bool,
 *     choices: list<array{id: string, name: string}>,
 * }
 * @phpstan-type PatternSums array{
 *     runs: list<array{code: string, cable: string, from: string, to: string, cut: WorkedOut}>,
 *     connectors: list<array{name: string, count: int}>,
 *     jumpers: int,
 *     switches: int,
 *     minutes: FigureShown,
 *     parts: list<array{name: string, needed: FigureShown}>,
 *     cost: float,
 *     currency: string,
 *     unpriced: int,
 *     findings: list<FindingShown>,
 * }
 */
final class PatternResource
{
    /**
     * @param  array<array-key, int>  $versions  of the installation's own, by id
     * @return list<PatternLine> the installation's own first
     */
    public static function lines(Loaded $loaded, array $versions): array
    {
        $own = $loaded->installation->patterns();
        $lines = [];
        foreach ([...array_values($own), ...array_values(array_diff_key(ShippedPatterns::all(), $own))] as $pattern) {
            $kind = PatternKind::tryFrom($pattern->kind);
            // One that a later version wrote is kept, and offered to nobody here.
            if ($kind !== null) {
                $lines[] = self::line($pattern, $kind, isset($own[$pattern->id]), $versions);
            }
        }

        return $lines;
    }

    /**
     * @param  array<array-key, int>  $versions
     * @return PatternLine
     */
    private static function line(GivenPattern $pattern, PatternKind $kind, bool $own, array $versions): array
    {
        return [
            'id' => $pattern->id,
            'name' => $pattern->name,
            'words' => $pattern->words,
            'kind' => $kind->value,
            'own' => $own,
            'version' => $own ? $versions[$pattern->id] ?? 1 : 0,
            'answers' => new Map($pattern->answers),
        ];
    }

    /** @return Map<list<PatternAsk>> by kind */
    public static function questions(): Map
    {
        $asks = [];
        foreach (PatternKind::cases() as $kind) {
            $asks[$kind->value] = array_map(
                static fn (PatternQuestion $question): array => [
                    'key' => $question->key,
                    'label' => $question->label,
                    'kind' => $question->kind->value,
                    'usual' => $question->usual,
                    'hint' => $question->hint,
                    'needed' => $question->needed,
                    'choices' => array_map(
                        static fn (string $id, string $name): array => ['id' => $id, 'name' => $name],
                        Names::from($question->choices),
                        array_values($question->choices),
                    ),
                ],
                $kind->rule()->questions(),
            );
        }

        return new Map($asks);
    }

    /** @return PatternSums */
    public static function sums(Drawn $drawn, Installation $was): array
    {
        $alone = self::alone($drawn, $was);
        $plan = (new Planner())->plan($alone);
        $connectors = [];
        foreach ($alone->fittings() as $fitting) {
            $name = $alone->catalogue->connector($fitting->connector)->name ?? $fitting->connector;
            $connectors[$name] = ($connectors[$name] ?? 0) + 1;
        }

        return [
            'runs' => array_map(
                static fn (string $id): array => [
                    'code' => $alone->theRun($id)->code,
                    'cable' => $alone->catalogue->cable($alone->theRun($id)->cable)->name ?? '',
                    'from' => $alone->locationName($alone->theRun($id)->a->location),
                    'to' => $alone->locationName($alone->theRun($id)->b->location),
                    'cut' => PlanEncoder::worked($plan->runs[$id]->cut),
                ],
                $drawn->runs,
            ),
            'connectors' => array_map(
                static fn (string $name, int $count): array => ['name' => $name, 'count' => $count],
                Names::from($connectors),
                array_values($connectors),
            ),
            'jumpers' => count($alone->links()),
            'switches' => count($alone->switches()),
            ...TakesResource::of($alone, $plan, $drawn->runs),
            'findings' => array_map(PlanEncoder::finding(...), $plan->findings()),
        ];
    }

    /** What came, in the building as it is, without all else. */
    private static function alone(Drawn $drawn, Installation $was): Installation
    {
        $is = $drawn->in;

        return $is->changed([
            'runs' => array_intersect_key($is->runs(), array_flip($drawn->runs)),
            'fittings' => array_diff_key($is->fittings(), $was->fittings()),
            'circuits' => array_diff_key($is->circuits(), $was->circuits()),
            'panels' => array_diff_key($is->panels(), $was->panels()),
            'links' => array_slice($is->links(), count($was->links())),
            'switches' => array_diff_key($is->switches(), $was->switches()),
            'matings' => [],
            'equipment' => [],
            'looms' => [],
            'splices' => array_values(array_diff($is->splices(), $was->splices())),
        ]);
    }
}
