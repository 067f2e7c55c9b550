<?php

declare(strict_types=1);

namespace App\Http\Resources\Ways;

use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Plan\Planning\Rerouted;

/**
 * What a change of the building or a loom did to the runs.
 *
 * @phpstan-import-type FindingShown from PlanEncoder
 *
 * @phpstan-type ReroutedShown array{
 *     routes: list<array{run: string, code: string, was: list<string>, is: list<string>}>,
 *     routesCount: int,
 *     cuts: list<array{code: string, was: string, is: string}>,
 *     cutsCount: int,
 *     overtaken: list<string>,
 *     comes: list<FindingShown>,
 *     goes: list<FindingShown>,
 * }
 */
final class ReroutedResource
{
    private const LISTED = 40;

    /** @return ReroutedShown */
    public static function of(Rerouted $all): array
    {
        return [
            'routes' => array_slice($all->routes, 0, self::LISTED),
            'routesCount' => count($all->routes),
            'cuts' => array_map(
                static fn (array $cut): array => [
                    'code' => $cut['code'],
                    'was' => $cut['was']->canonical(),
                    'is' => $cut['is']->canonical(),
                ],
                array_slice($all->cuts, 0, self::LISTED),
            ),
            'cutsCount' => count($all->cuts),
            'overtaken' => $all->overtaken,
            'comes' => array_map(PlanEncoder::finding(...), array_slice($all->comes, 0, self::LISTED)),
            'goes' => array_map(PlanEncoder::finding(...), array_slice($all->goes, 0, self::LISTED)),
        ];
    }
}
