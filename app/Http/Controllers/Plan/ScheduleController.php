<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Bench\CodeEdition;
use App\Contract\Answer;
use App\Contract\Query;
use App\Http\Requests\Plan\ScheduleAsked;
use App\Http\Resources\Plan\ScheduleResource;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Illuminate\Contracts\Container\Container;
use Illuminate\Support\Facades\Cache;

/**
 * @phpstan-import-type Row from ScheduleResource
 */
final class ScheduleController
{
    /**
     * Computed once per revision of the installation; unchanged, it is not even sent again.
     *
     * @return Answer<array{revision: int, rows: list<Row>|null}>
     */
    public function show(
        #[Query(ScheduleAsked::class)] ScheduleAsked $asked,
        StoredInstallation $stored,
        Container $container,
    ): Answer {
        if ($asked->since === (string) $stored->revision) {
            return new Answer(['revision' => $stored->revision, 'rows' => null]);
        }
        $key = sprintf('schedule.%s.%s.%d', CodeEdition::id(), $stored->mark(), $stored->revision);
        $json = Cache::get($key);
        if (! is_string($json)) {
            $json = json_encode(
                ScheduleResource::of($container->make(Loaded::class)),
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
            );
            Cache::put($key, $json, 3600);
        }

        /** @var Answer<array{revision: int, rows: list<Row>}> */
        return Answer::encoded($json);
    }
}
