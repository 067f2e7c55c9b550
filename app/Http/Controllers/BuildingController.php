<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Changes\SharedKinds;
use App\Http\Resources\BuildingResource;
use App\Http\Resources\ReroutedResource;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use App\Planning\Uncollected;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\Document\BuildingCodec;
use Sartal\Core\Document\Fields;
use Sartal\Core\Document\Problems;
use Sartal\Core\Planning\Rerouted;

/** The building: the schematic map and what lies in its ways. */
final readonly class BuildingController
{
    public function show(StoredInstallation $stored, Loaded $loaded): JsonResponse
    {
        $versions = [];
        foreach ($stored->parts()->toBase()->whereIn('kind', SharedKinds::ALL)->get(['kind', 'key', 'version']) as $part) {
            $versions[$part->kind.' '.$part->key] = (int) $part->version;
        }

        return response()->json(BuildingResource::of($loaded, $versions));
    }

    /** What a way would do to the runs, before it is saved. */
    public function preview(Request $request, Loaded $loaded): JsonResponse
    {
        $problems = new Problems;
        $fields = Fields::of($request->input('part'), '', $problems);
        $way = BuildingCodec::way($fields);
        $fields->done();
        $problems->settle();
        $then = $loaded->installation->withWays([...$loaded->installation->ways, $way->id => $way]);
        $rerouted = Uncollected::run(static fn (): Rerouted => Rerouted::between($loaded->plan(), $loaded->planner->plan($then, $loaded->record), $then));

        return response()->json(ReroutedResource::of($rerouted));
    }
}
