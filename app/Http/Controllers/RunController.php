<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Changes\RunDesk;
use App\Changes\StaleWrite;
use App\Formats\RunLine;
use App\Http\Resources\RunResource;
use App\Http\Resources\ScheduleResource;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\Document\PlanEncoder;
use Sartal\Core\Installation\Run;
use Sartal\Core\Planning\RunPlanner;

final readonly class RunController
{
    public function __construct(private RunDesk $desk, private InstallationStore $store)
    {
    }

    public function show(Loaded $loaded, string $id): JsonResponse
    {
        return response()->json(RunResource::of(self::run($loaded, $id), $loaded));
    }

    /** What a line would become, before anything is saved. */
    public function propose(Request $request, Loaded $loaded): JsonResponse
    {
        $proposal = $this->desk->propose($loaded, self::values($request), self::optional($request, 'id'));
        $plan = RunPlanner::plan($proposal->run, $loaded->installation->withRun($proposal->run, $proposal->fittings, $proposal->circuits));

        return response()->json([
            'cut' => PlanEncoder::worked($plan->cut),
            'circuits' => count($proposal->circuits),
            'fittings' => count($proposal->fittings),
            'findings' => array_map(PlanEncoder::finding(...), $plan->findings),
        ]);
    }

    public function store(Request $request, Loaded $loaded): JsonResponse
    {
        $run = $this->desk->add($loaded, self::user($request), self::values($request));

        return $this->fresh($loaded->stored, $run->id, 201);
    }

    public function update(Request $request, Loaded $loaded, string $id): JsonResponse
    {
        $run = self::run($loaded, $id);
        $values = self::values($request);
        try {
            $this->desk->change($loaded, self::user($request), $run, $values, self::version($request));
        } catch (StaleWrite $stale) {
            return $this->stale($stale, $loaded, $id, $values);
        }

        return $this->fresh($loaded->stored, $id);
    }

    public function duplicate(Request $request, Loaded $loaded, string $id): JsonResponse
    {
        $run = $this->desk->duplicate($loaded, self::user($request), self::run($loaded, $id), trim($request->string('code')->toString()));

        return $this->fresh($loaded->stored, $run->id, 201);
    }

    public function destroy(Request $request, Loaded $loaded, string $id): JsonResponse
    {
        try {
            $withdrawn = $this->desk->remove($loaded, self::user($request), self::run($loaded, $id), self::version($request));
        } catch (StaleWrite $stale) {
            return $this->stale($stale, $loaded, $id, []);
        }

        return response()->json(['withdrawn' => $withdrawn]);
    }

    private function fresh(StoredInstallation $stored, string $id, int $status = 200): JsonResponse
    {
        $loaded = $this->store->load($stored->refresh());

        return response()->json(RunResource::of($loaded->installation->runs[$id], $loaded), $status);
    }

    /**
     * Both versions, field by field, so that nothing that was typed is lost.
     *
     * @param  array<string, string>  $yours
     */
    private function stale(StaleWrite $stale, Loaded $loaded, string $id, array $yours): JsonResponse
    {
        $now = $this->store->load($loaded->stored->refresh());
        $run = $now->installation->runs[$id] ?? null;

        return response()->json([
            'message' => $stale->getMessage(),
            'yours' => (object) $yours,
            'theirs' => $run === null ? null : ['line' => RunLine::describe($run, $now->installation), 'row' => ScheduleResource::row($run, $now)],
        ], 409);
    }

    private static function run(Loaded $loaded, string $id): Run
    {
        return $loaded->installation->runs[$id] ?? abort(404, 'There is no such run here. It may have been removed.');
    }

    /** @return array<string, string> */
    private static function values(Request $request): array
    {
        $values = [];
        foreach (RunLine::FIELDS as $field) {
            $value = $request->input('line.'.$field);
            if ($value !== null || $request->has('line.'.$field)) {
                $values[$field] = is_scalar($value) ? (string) $value : '';
            }
        }

        return $values;
    }

    private static function version(Request $request): int
    {
        $request->validate(['version' => 'required|integer|min:1']);

        return $request->integer('version');
    }

    private static function optional(Request $request, string $key): ?string
    {
        $value = $request->input($key);

        return is_string($value) && $value !== '' ? $value : null;
    }

    private static function user(Request $request): User
    {
        $user = $request->user();
        assert($user instanceof User);

        return $user;
    }
}
