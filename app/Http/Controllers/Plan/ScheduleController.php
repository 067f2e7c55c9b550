<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Bench\CodeEdition;
use App\Contract\Query;
use App\Http\Requests\Plan\ScheduleAsked;
use App\Http\Resources\Plan\ScheduleResource;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Cache;

final class ScheduleController
{
    /** Computed once per revision of the installation; unchanged, it is not even sent again. */
    public function show(
        #[Query(ScheduleAsked::class)] ScheduleAsked $asked,
        StoredInstallation $stored,
        Container $container,
    ): JsonResponse {
        if ($asked->since === (string) $stored->revision) {
            return response()->json(['revision' => $stored->revision, 'rows' => null]);
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

        return JsonResponse::fromJsonString($json);
    }
}
