<?php

declare(strict_types=1);

namespace App\Http\Resources\Ways;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Ways\Routing\MeasuringWalk;
use Sartal\Core\Ways\Routing\Network;
use Sartal\Core\Ways\Routing\ToMeasure;
use Sartal\Core\Ways\Routing\WalkStop;

/**
 * A walk through the building, as a page has it.
 *
 * @phpstan-type WalkShown array{
 *     from: string,
 *     places: list<array{id: string, name: string}>,
 *     stops: list<WalkStopShown>,
 *     measured: int,
 *     ways: int,
 *     waiting: int,
 *     cut: int,
 * }
 * @phpstan-type WalkStopShown array{
 *     id: string,
 *     name: string,
 *     kind: string,
 *     level: string,
 *     from: string,
 *     to: string,
 *     length: string,
 *     before: string|null,
 *     version: int,
 *     runs: int,
 *     codes: list<string>,
 * }
 */
final class WalkResource
{
    /** Cables of a stop that are named. */
    private const NAMED = 4;

    /**
     * @param  array<int|string, int>  $versions  of ways, by id
     * @param  string  $from  where it is to begin; "" or unknown: where most waits
     * @return WalkShown
     */
    public static function of(Installation $in, ToMeasure $left, array $versions, string $from): array
    {
        $places = [...array_values($in->locations()), ...array_values($in->junctions())];
        $byId = array_column($places, null, 'id');
        $from = isset($byId[$from]) ? $from : $left->busiest();
        $stops = (new MeasuringWalk(new Network($in->ways())))->along($left->ways, $from);

        return [
            'from' => $from,
            'places' => array_map(
                static fn (object $place): array => ['id' => $place->id, 'name' => $place->name],
                $places,
            ),
            'stops' => array_map(
                static fn (WalkStop $stop): array => [
                    'id' => $stop->way->id,
                    'name' => $stop->way->name,
                    'kind' => $stop->way->kind->value,
                    'level' => $byId[$stop->from]->level ?? '',
                    'from' => $byId[$stop->from]->name ?? '',
                    'to' => $byId[$stop->to]->name ?? '',
                    'length' => $stop->way->length->canonical(),
                    'before' => $stop->before?->canonical(),
                    'version' => $versions[$stop->way->id] ?? 0,
                    'runs' => count($left->waiting[$stop->way->id]),
                    'codes' => array_slice($left->waiting[$stop->way->id], 0, self::NAMED),
                ],
                $stops,
            ),
            'measured' => count(array_filter($in->ways(), static fn (Way $way): bool => $way->measured)),
            'ways' => count($in->ways()),
            'waiting' => $left->cables,
            'cut' => $left->cut,
        ];
    }
}
