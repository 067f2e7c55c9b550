<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Formats\BadLine;
use App\Http\Requests\Given\WalkAsked;
use App\Http\Requests\Given\WayMeasured;
use App\Http\Resources\Ways\ReroutedResource;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Near;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Ways\Routing\MeasuringWalk;
use Sartal\Core\Ways\Routing\Network;
use Sartal\Core\Ways\Routing\WalkStop;

/**
 * What is to be measured in the building before cable is cut by it, in the order of a walk.
 *
 * @phpstan-import-type ReroutedShown from ReroutedResource
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
final readonly class WalkController
{
    /** Cables of a stop that are named. */
    private const NAMED = 4;

    /** @return Answer<WalkShown> */
    public function show(
        #[Query(WalkAsked::class)] WalkAsked $asked,
        StoredInstallation $stored,
        Near $near,
    ): Answer {
        // Ways and places alone: which run lies where is on cards.
        $in = $near->runs($stored, [])->installation;
        [$waiting, $cut] = self::waiting($stored, $near, $in);
        $ways = array_values(
            array_filter($in->ways(), static fn (Way $way): bool => ! $way->measured && isset($waiting[$way->id])),
        );
        $places = self::places($in);
        $from = isset($places[$asked->from]) ? $asked->from : self::busiest($ways, $waiting);
        $versions = $stored->entries()->where('kind', 'way')->pluck('version', 'key')->all();
        $stops = (new MeasuringWalk(new Network($in->ways())))->along($ways, $from);

        return new Answer([
            'from' => $from,
            'places' => array_map(
                static fn (int|string $id, string $name): array => ['id' => (string) $id, 'name' => $name],
                array_keys($places),
                $places,
            ),
            'stops' => array_map(
                static fn (WalkStop $stop): array => [
                    'id' => $stop->way->id,
                    'name' => $stop->way->name,
                    'kind' => $stop->way->kind->value,
                    'level' => self::level($in, $stop->from),
                    'from' => $places[$stop->from] ?? '',
                    'to' => $places[$stop->to] ?? '',
                    'length' => $stop->way->length->canonical(),
                    'before' => $stop->before?->canonical(),
                    'version' => (int) ($versions[$stop->way->id] ?? 0),
                    'runs' => count($waiting[$stop->way->id]),
                    'codes' => array_slice($waiting[$stop->way->id], 0, self::NAMED),
                ],
                $stops,
            ),
            'measured' => count(array_filter($in->ways(), static fn (Way $way): bool => $way->measured)),
            'ways' => count($in->ways()),
            'waiting' => count(array_unique(array_merge(...array_map(
                static fn (Way $way): array => $waiting[$way->id],
                $ways,
            )))),
            'cut' => $cut,
        ]);
    }

    /**
     * Whoever walks there measures: that it is so long, and that somebody knows it.
     *
     * @return Answer<array{saved: true, rerouted: ReroutedShown}>
     */
    public function measured(
        #[Body(WayMeasured::class)] WayMeasured $sent,
        StoredInstallation $stored,
        Near $near,
        Author $author,
        ChangeLog $log,
        string $id,
    ): Answer {
        $row = $stored->entries()->where('kind', 'way')->where('key', $id)->first();
        $loaded = $near->runs($stored, []);
        $way = $loaded->installation->ways()[$id] ?? null;
        if ($row === null || $way === null) {
            abort(404, 'There is no such way here. It may have been removed.');
        }
        try {
            $length = Length::parse($sent->length, 'm');
        } catch (InvalidMeasure $invalid) {
            throw BadLine::because('length', $sent->length, 'Write a length, such as 12.4 m. '.$invalid->getMessage());
        }
        if ($length->isZero() || $length->isNegative()) {
            throw BadLine::because('length', $sent->length, 'It must be longer than nothing.');
        }
        $after = ['length' => $length->canonical(), 'measured' => true] + $row->definition;
        $written = $log->write(
            Decision::on(
                $loaded,
                $author,
                sprintf('%s measured', $way->name),
                [new Edit(DecisionKind::Way, $id, $after, $sent->version)],
            ),
        );

        return new Answer(['saved' => true, 'rerouted' => ReroutedResource::of($written->rerouted())]);
    }

    /** @return array{array<int|string, list<string>>, int} way → codes of runs in it that are not cut; how many are */
    private static function waiting(StoredInstallation $stored, Near $near, Installation $in): array
    {
        $standings = KeptStandings::decided($stored, static fn (): Loaded => $near->whole($stored))->runs();
        $waiting = [];
        $cut = 0;
        foreach ($near->inWays($stored) as $run => ['code' => $code, 'ways' => $ways]) {
            $standing = $standings[$run] ?? null;
            if ($standing === null || $standing->withdrawn) {
                continue;
            }
            if ($standing->isDone(Stage::Cut)) {
                $guessed = array_filter($ways, static fn (string $way): bool => ! ($in->way($way)->measured ?? true));
                $cut += $guessed === [] ? 0 : 1;

                continue;
            }
            foreach ($ways as $way) {
                $waiting[$way][] = $code;
            }
        }

        return [$waiting, $cut];
    }

    /** @return array<int|string, string> id → name */
    private static function places(Installation $in): array
    {
        $places = [];
        foreach ([...array_values($in->locations()), ...array_values($in->junctions())] as $place) {
            $places[$place->id] = $place->name;
        }

        return $places;
    }

    private static function level(Installation $in, string $place): string
    {
        return $in->locations()[$place]->level ?? ($in->junctions()[$place]->level ?? '');
    }

    /**
     * @param  list<Way>  $ways
     * @param  array<int|string, list<string>>  $waiting
     */
    private static function busiest(array $ways, array $waiting): string
    {
        $most = 0;
        $from = '';
        foreach ($ways as $way) {
            if ($way->joins() && count($waiting[$way->id]) > $most) {
                [$most, $from] = [count($waiting[$way->id]), $way->from];
            }
        }

        return $from;
    }
}
