<?php

declare(strict_types=1);

namespace App\Http\Resources\Work;

use App\Contract\Map;
use App\Planning\KeptParts;
use App\Planning\Loaded;
use App\Planning\PartsScope;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\File\StockCodec;
use Sartal\Core\Work\Parts\LoomFacts;
use Sartal\Core\Work\Parts\MakeOrBuyPlanner;
use Sartal\Core\Work\Parts\PartsLine;
use Sartal\Core\Work\Parts\Sort;

/**
 * @phpstan-import-type FigureShown from PlanEncoder
 *
 * @phpstan-type EconomyShown array{
 *     currency: string,
 *     rate: float,
 *     spares: float,
 *     prices?: Map<float>,
 *     stock?: Map<float>,
 *     bought?: Map<float>,
 * }
 * @phpstan-type PartsPage array{
 *     scope: string,
 *     runs: int,
 *     version: int,
 *     economy: EconomyShown,
 *     currency: string,
 *     cost: float,
 *     unpriced: list<string>,
 *     lines: list<array{
 *         sort: value-of<Sort>,
 *         id: string,
 *         name: string,
 *         group: string,
 *         colour: string,
 *         unit: string,
 *         needed: FigureShown,
 *         spares: float,
 *         returned: float,
 *         stock: float,
 *         short: float,
 *         sources: list<string>,
 *         reels: list<array{metres: float, count: int}>,
 *         pack: float,
 *         packs: int,
 *         price: float|null,
 *         cost: float|null,
 *     }>,
 *     looms: list<array{id: string, name: string}>,
 *     assemblies: list<array{id: string, name: string}>,
 * }
 * @phpstan-type PartsWorth array{
 *     currency: string,
 *     assemblies: list<array{
 *         id: string,
 *         codes: list<string>,
 *         minutes: FigureShown,
 *         make: FigureShown,
 *         buy: float|null,
 *         saving: FigureShown|null,
 *         unpriced: list<string>,
 *     }>,
 * }
 */
final class PartsResource
{
    /**
     * @param  int  $terms  a sum of more is shown without them
     * @return PartsPage
     */
    public static function of(PartsScope $scope, KeptParts $parts, int $version, int $terms = PHP_INT_MAX): array
    {
        $facts = $parts->facts();
        $list = $scope->list;
        /** @var EconomyShown $economy */
        $economy = StockCodec::encodeEconomy($facts->supplies->economy);

        return [
            'scope' => $scope->name,
            'runs' => $scope->runs,
            'version' => $version,
            'economy' => $economy,
            'currency' => $facts->supplies->economy->currency,
            'cost' => round($list->cost, 2),
            'unpriced' => $list->unpriced,
            'lines' => array_map(
                static fn (PartsLine $line): array => [
                    'sort' => $line->sort->value,
                    'id' => $line->id,
                    'name' => $line->name,
                    'group' => $line->group,
                    'colour' => $line->colour,
                    'unit' => $line->unit,
                    'needed' => PlanEncoder::figure($line->needed, $terms),
                    'spares' => $line->spares,
                    'returned' => $line->returned,
                    'stock' => round($line->stock, 3),
                    'short' => round($line->short, 3),
                    'sources' => $line->sources,
                    'reels' => $line->reels,
                    'pack' => $line->pack,
                    'packs' => $line->packs,
                    'price' => $line->price,
                    'cost' => $line->cost() === null ? null : round($line->cost(), 2),
                ],
                $list->lines,
            ),
            'looms' => array_map(
                static fn (LoomFacts $loom): array => ['id' => $loom->id, 'name' => $loom->name],
                array_values($facts->looms),
            ),
            'assemblies' => array_map(
                static fn (int|string $id, array $runs): array => [
                    'id' => (string) $id,
                    'name' => implode(', ', array_map($parts->code(...), array_slice($runs, 0, 4))),
                ],
                array_keys($facts->assemblies),
                array_values($facts->assemblies),
            ),
        ];
    }

    /** @return PartsWorth */
    public static function worth(Loaded $loaded): array
    {
        $planner = new MakeOrBuyPlanner($loaded->installation, $loaded->plan());
        $rows = [];
        foreach ($loaded->plan()->assemblies as $assembly) {
            $codes = array_map(
                static fn (string $run): string => $loaded->installation->runs()[$run]->code,
                $assembly->runs,
            );
            $of = $planner->of($assembly);
            $rows[] = [
                'id' => $assembly->id,
                'codes' => $codes,
                'minutes' => PlanEncoder::figure($of->minutes),
                'make' => PlanEncoder::figure($of->make),
                'buy' => $of->buy,
                'saving' => $of->saving === null ? null : PlanEncoder::figure($of->saving),
                'unpriced' => $of->unpriced,
            ];
        }

        return ['currency' => $loaded->installation->economy()->currency, 'assemblies' => $rows];
    }
}
