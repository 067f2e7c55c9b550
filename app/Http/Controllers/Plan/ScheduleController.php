<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Contract\Answer;
use App\Contract\Query;
use App\Http\Requests\Plan\ScheduleAsked;
use App\Http\Resources\Plan\ScheduleResource;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptOfRuns;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Near;
use Illuminate\Contracts\Container\Container;

/**
 * @phpstan-import-type Row from ScheduleResource
 */
final class ScheduleController
{
    /**
     * Unchanged, it is not even sent again.
     *
     * @return Answer<array{revision: int, rows: list<Row>|null}>
     */
    public function show(
        #[Query(ScheduleAsked::class)] ScheduleAsked $asked,
        StoredInstallation $stored,
        Container $container,
        Near $near,
    ): Answer {
        if ($asked->since === (string) $stored->revision) {
            return new Answer(['revision' => $stored->revision, 'rows' => null]);
        }
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        $standing = KeptStandings::decided($stored, $loaded);
        /** @var KeptOfRuns<Row> $kept */
        $kept = new KeptOfRuns($stored, 'schedule', Kept::state(...));
        $rows = $kept->of(
            static fn (): array => ScheduleResource::decided($loaded()),
            static fn (array $runs): array => ScheduleResource::decided($near->runs($stored, $runs), $runs),
        );

        return new Answer([
            'revision' => $stored->revision,
            'rows' => ScheduleResource::standing($rows, $standing->all(), $stored->names()),
        ]);
    }
}
