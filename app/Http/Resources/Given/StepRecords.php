<?php

declare(strict_types=1);

namespace App\Http\Resources\Given;

use App\Contract\Map;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Work\Bench\Experience;
use Sartal\Core\Work\Bench\StepKnown;

/**
 * What the crew's own record says of a procedure's steps, by step.
 *
 * @phpstan-import-type FigureShown from PlanEncoder
 *
 * @phpstan-type StepRecord array{minutes: FigureShown|null, found: int, of: int}
 * @phpstan-type StepRecordsShown array{steps: Map<StepRecord>}
 */
final class StepRecords
{
    /** @return StepRecordsShown */
    public static function of(MakingProcedure $procedure, Experience $known): array
    {
        return ['steps' => new Map(array_map(
            static fn (StepKnown $of): array => [
                'minutes' => $of->minutes === null ? null : PlanEncoder::figure($of->minutes),
                'found' => $of->found,
                'of' => $of->looked,
            ],
            $known->of($procedure),
        ))];
    }
}
