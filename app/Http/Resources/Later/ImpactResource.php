<?php

declare(strict_types=1);

namespace App\Http\Resources\Later;

use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Later\Changing\Impact;
use Sartal\Core\Later\Changing\Overtaken;
use Sartal\Core\Later\Changing\OvertakenKind;
use Sartal\Core\Later\Changing\Remedy;
use Sartal\Core\Later\Changing\RemedyKind;
use Sartal\Core\Later\Changing\RunImpact;
use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\PartsLine;

/**
 * What a change overtakes, or what is overtaken as things are, with what can be done about it.
 *
 * @phpstan-import-type FigureShown from PlanEncoder
 * @phpstan-import-type FindingShown from PlanEncoder
 * @phpstan-import-type WorkedOut from PlanEncoder
 *
 * @phpstan-type ImpactShown array{
 *     words: string,
 *     count: int,
 *     runsCount: int,
 *     runs: list<ImpactRun>,
 *     minutes: FigureShown,
 *     cost: FigureShown,
 *     parts: list<ImpactPart>,
 *     restored: list<string>,
 *     comes: list<FindingShown>,
 *     goes: int,
 *     isOpen: bool,
 * }
 * @phpstan-type ImpactRun array{
 *     id: string,
 *     code: string,
 *     overtaken: list<ImpactOvertaken>,
 *     remake: ImpactRemedy,
 *     best: list<string>,
 * }
 * @phpstan-type ImpactOvertaken array{
 *     key: string,
 *     kind: value-of<OvertakenKind>,
 *     words: string,
 *     details: list<string>,
 *     missing: WorkedOut|null,
 *     remedies: list<ImpactRemedy>,
 *     ruledOut: list<string>,
 * }
 * @phpstan-type ImpactRemedy array{
 *     key: string,
 *     kind: value-of<RemedyKind>,
 *     words: string,
 *     minutes: FigureShown,
 *     cost: FigureShown,
 *     parts: int,
 *     how: string,
 * }
 * @phpstan-type ImpactPart array{
 *     name: string,
 *     needed: FigureShown,
 *     stock: float,
 *     short: float,
 *     packs: int,
 *     unit: string,
 * }
 */
final class ImpactResource
{
    private const LISTED = 200;

    private const DETAILS = 100;

    private const FINDINGS = 40;

    /** @return ImpactShown */
    public static function of(Impact $impact, string $words = ''): array
    {
        return [
            'words' => $words,
            'count' => $impact->count(),
            'runsCount' => count($impact->runs),
            'runs' => array_map(self::run(...), array_slice(array_values($impact->runs), 0, self::LISTED)),
            'minutes' => PlanEncoder::figure($impact->minutes),
            'cost' => PlanEncoder::figure($impact->cost),
            'parts' => array_map(self::part(...), $impact->parts->lines),
            'restored' => $impact->restored,
            'comes' => array_map(PlanEncoder::finding(...), array_slice($impact->comes, 0, self::FINDINGS)),
            'goes' => count($impact->goes),
            'isOpen' => $impact->isOpen(),
        ];
    }

    /** @return ImpactRun */
    public static function run(RunImpact $run): array
    {
        return [
            'id' => $run->run,
            'code' => $run->code,
            'overtaken' => array_map(self::overtaken(...), $run->overtaken),
            'remake' => self::remedy($run->remake),
            'best' => array_map(static fn (Remedy $remedy): string => $remedy->key(), $run->best),
        ];
    }

    /** @return ImpactOvertaken */
    private static function overtaken(Overtaken $each): array
    {
        return [
            'key' => $each->key(),
            'kind' => $each->kind->value,
            'words' => $each->words,
            'details' => array_slice($each->details, 0, self::DETAILS),
            'missing' => $each->missing === null ? null : PlanEncoder::worked($each->missing),
            'remedies' => array_map(self::remedy(...), $each->remedies),
            'ruledOut' => $each->ruledOut,
        ];
    }

    /** @return ImpactRemedy */
    private static function remedy(Remedy $remedy): array
    {
        return [
            'key' => $remedy->key(),
            'kind' => $remedy->kind->value,
            'words' => $remedy->words,
            'minutes' => PlanEncoder::figure($remedy->minutes),
            'cost' => PlanEncoder::figure($remedy->cost),
            'parts' => count(array_filter($remedy->parts, static fn (Ask $ask): bool => $ask->amount > 0.0)),
            'how' => match (true) {
                $remedy->kind->isConfirmed() => 'confirm',
                $remedy->kind->isReopened() => 'bench',
                default => $remedy->kind->value,
            },
        ];
    }

    /** @return ImpactPart */
    private static function part(PartsLine $line): array
    {
        return [
            'name' => $line->name,
            'needed' => PlanEncoder::figure($line->needed),
            'stock' => $line->stock,
            'short' => $line->short,
            'packs' => $line->packs,
            'unit' => $line->unit,
        ];
    }
}
