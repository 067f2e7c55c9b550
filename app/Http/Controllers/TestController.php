<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\TestResource;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\Document\EventCodec;
use Sartal\Core\Document\Fields;
use Sartal\Core\Document\Problems;
use Sartal\Core\Planning\AssemblyPlanner;
use Sartal\Core\Wiring\Assembly;

final class TestController
{
    public function show(Loaded $loaded, string $id): JsonResponse
    {
        $assembly = self::assembly($loaded, $id);
        $expectation = (new AssemblyPlanner($loaded->installation, $loaded->plan()->runs))->expectation($assembly);

        return response()->json(TestResource::sheet($loaded->installation->runs[$id], $assembly, $expectation, $loaded));
    }

    /** Verdict and likely causes of a reading that is not recorded yet. */
    public function judge(Request $request, Loaded $loaded, string $id): JsonResponse
    {
        $assembly = self::assembly($loaded, $id);
        $planner = new AssemblyPlanner($loaded->installation, $loaded->plan()->runs);
        $expectation = $planner->expectation($assembly);
        $problems = new Problems;
        $reading = EventCodec::reading(Fields::of($request->input('reading'), 'reading', $problems));
        $problems->settle();

        return response()->json(TestResource::verdict($reading, $expectation, $planner->diagnose($assembly, $expectation, $reading), $planner->words($assembly), $loaded));
    }

    private static function assembly(Loaded $loaded, string $id): Assembly
    {
        abort_unless(isset($loaded->installation->runs[$id]), 404, 'There is no such run here. It may have been removed.');

        return $loaded->plan()->assemblies[$loaded->plan()->assemblyOf[$id]];
    }
}
