<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Bench\Edition;
use App\Http\Resources\CoverageResource;
use App\Http\Resources\TestResource;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Sartal\Core\Document\EventCodec;
use Sartal\Core\Document\Fields;
use Sartal\Core\Document\Problems;
use Sartal\Core\Installation\Method;
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

        return response()->json(TestResource::verdict($reading, $expectation, $planner->diagnose($assembly, $expectation, $reading), $planner->words($assembly), $planner->firstToOpen($assembly, array_merge(...array_map($loaded->record->of(...), $assembly->runs), ...[[]])), $loaded));
    }

    /** What the chosen checks cannot see. */
    public function coverage(Request $request, StoredInstallation $stored, Loaded $loaded, string $id): JsonResponse
    {
        $methods = array_values(array_filter(array_map(Method::tryFrom(...), explode(',', $request->string('checks')->toString()))));
        abort_if($methods === [], 422, 'Choose at least one check: '.implode(', ', array_map(static fn (Method $method): string => $method->value, Method::cases())).'.');
        $assembly = self::assembly($loaded, $id);
        $key = sprintf('coverage.%s.%d.%s.%s.%s', Edition::id(), $stored->id, $stored->decisions, $assembly->id, implode('.', array_map(static fn (Method $method): string => $method->value, $methods)));
        $planner = new AssemblyPlanner($loaded->installation, $loaded->plan()->runs);

        return response()->json(Cache::store('file')->remember($key, 24 * 3600, static fn (): array => CoverageResource::of($planner->coverage($assembly, $methods), $planner->words($assembly))));
    }

    private static function assembly(Loaded $loaded, string $id): Assembly
    {
        abort_unless(isset($loaded->installation->runs[$id]), 404, 'There is no such run here. It may have been removed.');

        return $loaded->plan()->assemblies[$loaded->plan()->assemblyOf[$id]];
    }
}
