<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Contract\Answer;
use App\Contract\Query;
use App\Http\Requests\Plan\ScheduleAsked;
use App\Http\Resources\Plan\ScheduleResource;
use App\Http\Resources\Plan\ScheduleRows;
use App\Models\StoredInstallation;
use App\Planning\Cursor;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Near;
use Illuminate\Contracts\Container\Container;

/**
 * @phpstan-import-type Row from ScheduleResource
 */
final class ScheduleController
{
    /** Rows that are told by themselves: where it is more, all of them are. */
    private const MOST = 300;

    /**
     * Unchanged, it is not even sent again; of what is known up to a cursor, the rows that may be others since.
     *
     * @return Answer<array{
     *     revision: int,
     *     cursor: string,
     *     rows: list<Row>|null,
     *     isPart: bool,
     *     gone: list<string>,
     * }>
     */
    public function show(
        #[Query(ScheduleAsked::class)] ScheduleAsked $asked,
        StoredInstallation $stored,
        Container $container,
        Near $near,
    ): Answer {
        $cursor = Cursor::now($stored);
        $known = Cursor::read($asked->since);
        if ($known?->is($stored) === true || $asked->since === (string) $stored->revision) {
            return self::answer($stored, $known ?? $cursor, null);
        }
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        $standings = KeptStandings::decided($stored, $loaded);
        $rows = new ScheduleRows($stored, $near, $loaded);
        $concerned = $known?->concerned($stored);
        $runs = $known === null || $concerned === null ? null : $standings->news($concerned, $known->row);
        if ($runs === null || count($runs) > self::MOST) {
            $all = ScheduleResource::standing($rows->all(), $standings->all(), $stored->names());

            return self::answer($stored, $cursor, $all);
        }
        $some = $rows->of($runs);
        $of = [];
        foreach (array_keys($some) as $run) {
            $standing = $standings->of((string) $run);
            $of += $standing === null ? [] : [$standing->id => $standing];
        }
        $gone = array_values(array_diff($runs, array_map(strval(...), array_keys($some))));

        return self::answer($stored, $cursor, ScheduleResource::standing($some, $of, $stored->names()), $gone);
    }

    /**
     * @param  list<Row>|null  $rows  null: as they are known
     * @param  list<string>|null  $gone  null: those are all rows that there are
     * @return Answer<array{
     *     revision: int,
     *     cursor: string,
     *     rows: list<Row>|null,
     *     isPart: bool,
     *     gone: list<string>,
     * }>
     */
    private static function answer(
        StoredInstallation $stored,
        Cursor $cursor,
        ?array $rows,
        ?array $gone = null,
    ): Answer {
        return new Answer([
            'revision' => $stored->revision,
            'cursor' => $cursor->text(),
            'rows' => $rows,
            'isPart' => $gone !== null,
            'gone' => $gone ?? [],
        ]);
    }
}
