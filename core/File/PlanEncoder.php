<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Ends\Labelling\Label;
use Sartal\Core\Ends\Labelling\Marked;
use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Ends\Pinout\Unused;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Given\Schools\LabelTurn;
use Sartal\Core\Plan\Planning\AssemblyPlanner;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\SwitchState;

/**
 * A plan into its JSON shape (docs/schema/plan.schema.json).
 *
 * @phpstan-type WorkedOut array{
 *     result: string,
 *     exact: string,
 *     rounding: string,
 *     terms: list<array{label: string, detail: string, amount: string, source: string}>,
 * }
 * @phpstan-type FigureShown array{
 *     value: float|null,
 *     text: string,
 *     terms: list<array{label: string, detail: string, amount: string, source: string}>,
 * }
 * @phpstan-type LabelText array{
 *     side: value-of<Side>,
 *     leg: string,
 *     code: string,
 *     end: string,
 *     to: string,
 *     readsUpsideDown?: string,
 *     prints?: string,
 *     underlined?: bool,
 *     word?: string,
 * }
 * @phpstan-type FindingShown array{
 *     severity: value-of<Severity>,
 *     code: string,
 *     subject: string,
 *     words: string,
 *     remedy: string,
 * }
 * @phpstan-type BeadShown array{stage: value-of<Stage>, state: value-of<BeadState>}
 */
final class PlanEncoder
{
    /** @return array<int|string, mixed> */
    public static function plan(Plan $plan, Installation $installation): array
    {
        $assemblies = new AssemblyPlanner($installation, $plan->runs);
        $runs = [];
        foreach ($plan->runs as $id => $run) {
            $runs[] = [
                'id' => (string) $id,
                'code' => $installation->runs()[$id]->code,
                'assembly' => $plan->assemblyOf[$id],
                'cut' => self::worked($run->cut),
                'ends' => array_map(self::end(...), $run->ends()),
                'labels' => array_map(
                    static fn (Label $label): array => self::label(
                        $label,
                        $plan->rotations(),
                        $installation->rule(LabelTurn::class),
                    ),
                    $run->labels,
                ),
                'strand' => self::strand($plan->strand($id)),
            ];
        }
        $tested = [];
        foreach ($plan->assemblies as $assembly) {
            $states = $assemblies->states($assembly);
            $tested[] = [
                'id' => $assembly->id,
                'runs' => $assembly->runs,
                'fittings' => $assembly->fittings,
                'expected' => self::expected($states[0][1]),
                ...count($states) === 1
                    ? []
                    : [
                        'states' => array_map(
                            static fn (array $state): array => self::changed($state[0], $state[1], $states[0][1]),
                            array_slice($states, 1),
                        ),
                    ],
            ];
        }

        return [
            'format' => 'sartal-plan',
            'version' => 1,
            'installation' => $installation->id,
            'runs' => $runs,
            'assemblies' => $tested,
            'findings' => array_map(self::finding(...), $plan->findings()),
        ];
    }

    /** @return WorkedOut */
    public static function worked(Worked $worked): array
    {
        return [
            'result' => $worked->result->canonical(),
            'exact' => $worked->exact->canonical(),
            'rounding' => $worked->rounding,
            'terms' => array_map(
                static fn (Term $term): array => [
                    'label' => $term->label,
                    'detail' => $term->detail,
                    'amount' => $term->amount->canonical(),
                    'source' => $term->source,
                ],
                $worked->terms,
            ),
        ];
    }

    /**
     * @param  int  $most  a sum of more terms is given without them
     * @return FigureShown
     */
    public static function figure(Figure $figure, int $most = PHP_INT_MAX): array
    {
        return [
            'value' => is_finite($figure->value) ? $figure->value : null,
            'text' => $figure->text(),
            'terms' => array_map(
                static fn (FigureTerm $term): array => [
                    'label' => $term->label,
                    'detail' => $term->detail,
                    'amount' => $term->amount,
                    'source' => $term->source,
                ],
                count($figure->terms) > $most ? [] : $figure->terms,
            ),
        ];
    }

    /** @return array<int|string, mixed> */
    public static function end(EndPinout $end): array
    {
        return [
            'joints' => array_map(self::joint(...), $end->joints),
            'unused' => array_map(
                static fn (Unused $unused): array => ['conductor' => $unused->conductor, 'reason' => $unused->reason],
                $end->unused,
            ),
        ];
    }

    /** @return array<int|string, mixed> */
    public static function joint(Joint $joint): array
    {
        return [
            'leg' => $joint->leg,
            'conductor' => $joint->conductor,
            'to' => $joint->to,
            'function' => $joint->function,
            'channel' => $joint->channel,
            'circuit' => $joint->circuit,
            ...$joint->byHand === '' ? [] : ['exception' => $joint->byHand],
        ];
    }

    /**
     * @param  array<array-key, string>  $rotations
     * @return LabelText
     */
    public static function label(Label $label, array $rotations, LabelTurn $rule): array
    {
        $marked = isset($rotations[$label->code]) ? Marked::as($rule, $label->code) : null;

        return [
            'side' => $label->side->value,
            'leg' => $label->leg,
            'code' => $label->code,
            'end' => $label->end,
            'to' => $label->to,
            ...$marked === null
                ? []
                : [
                    'readsUpsideDown' => $rotations[$label->code],
                    'prints' => $marked->text,
                    'underlined' => $marked->underlined,
                    'word' => $marked->word,
                ],
        ];
    }

    /**
     * @param  list<Bead>  $strand
     * @return list<BeadShown>
     */
    public static function strand(array $strand): array
    {
        return array_map(
            static fn (Bead $bead): array => ['stage' => $bead->stage->value, 'state' => $bead->state->value],
            $strand,
        );
    }

    /** @return array<int|string, mixed> */
    public static function expected(Expectation $expectation): array
    {
        return [
            'lights' => (object) $expectation->reading->lights,
            'pairs' => array_map(static fn ($pair): array => $pair->nodes, $expectation->setup->pairs),
        ];
    }

    /**
     * A state of the switches, by the lines that read otherwise than at rest.
     *
     * @return array<int|string, mixed>
     */
    public static function changed(SwitchState $state, Expectation $expectation, Expectation $rest): array
    {
        $lines = array_filter(
            $expectation->reading->lights,
            static fn (array $lights, int|string $probe): bool => $lights !== ($rest->reading->lights[$probe] ?? null),
            ARRAY_FILTER_USE_BOTH,
        );

        return ['id' => $state->id, 'name' => $state->name, 'lights' => (object) $lines];
    }

    /** @return FindingShown */
    public static function finding(Finding $finding): array
    {
        return [
            'severity' => $finding->severity->value,
            'code' => $finding->code,
            'subject' => $finding->subject->text(),
            'words' => $finding->words,
            'remedy' => $finding->remedy,
        ];
    }
}
