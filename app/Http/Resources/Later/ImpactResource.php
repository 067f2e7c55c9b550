<?php

declare(strict_types=1);

namespace App\Http\Resources\Later;

use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Later\Changing\Impact;
use Sartal\Core\Later\Changing\Overtaken;
use Sartal\Core\Later\Changing\Remedy;
use Sartal\Core\Later\Changing\RunImpact;
use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\PartsLine;

/** What a change overtakes, or what is overtaken as things are, with what can be done about it. */
final class ImpactResource
{
    private const LISTED = 200;

    private const DETAILS = 100;

    private const FINDINGS = 40;

    /** @return array<int|string, mixed> */
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
        ];
    }

    /** @return array<int|string, mixed> */
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

    /** @return array<int|string, mixed> */
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

    /** @return array<int|string, mixed> */
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

    /** @return array<int|string, mixed> */
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
