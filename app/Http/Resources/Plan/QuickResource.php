<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Changes\QuickRead;
use App\Formats\RunLine;
use App\Planning\RunKeys;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Plan\Planning\RunPlanner;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\Understood;

/**
 * Lines of words as they were read.
 *
 * @phpstan-import-type FindingShown from PlanEncoder
 * @phpstan-import-type WorkedOut from PlanEncoder
 *
 * @phpstan-type QuickShown array{
 *     text: string,
 *     lines: list<array<string, string>>,
 *     understood: list<array{what: string, took: string, said: bool, because: string, instead: string}>,
 *     cut: WorkedOut|null,
 *     circuits: int,
 *     fittings: int,
 *     findings: list<FindingShown>,
 *     refused: array{field: string, value: string, remedy: string, isNoPlace: bool}|null,
 * }
 */
final class QuickResource
{
    /** @return QuickShown */
    public static function of(QuickRead $read): array
    {
        $first = $read->proposals[0] ?? null;
        $plan = $first === null ? null : RunPlanner::plan($first->run, $read->with);
        $refused = $read->refused;

        return [
            'text' => $read->text,
            'lines' => array_map(
                static fn (Proposal $each): array => RunLine::describe($each->run, $read->with),
                $read->proposals,
            ),
            'understood' => array_map(
                static fn (Understood $each): array => [
                    'what' => $each->what,
                    'took' => $each->took,
                    'said' => $each->said,
                    'because' => $each->because,
                    'instead' => $each->instead,
                ],
                $read->understood,
            ),
            'cut' => $plan === null ? null : PlanEncoder::worked($plan->cut),
            'circuits' => count($first->circuits ?? []),
            'fittings' => count($first->fittings ?? []),
            'findings' => array_map(PlanEncoder::finding(...), $plan?->findings() ?? []),
            'refused' => $refused === null ? null : [
                'field' => RunKeys::field($refused->field),
                'value' => $refused->value,
                'remedy' => $refused->getMessage(),
                'isNoPlace' => $refused->isNoPlace,
            ],
        ];
    }
}
