<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\RunDesk;
use App\Changes\StaleWrite;
use App\Formats\BadLine;
use App\Formats\RunLine;
use App\Http\Resources\Plan\RunResource;
use App\Http\Resources\Plan\ScheduleResource;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\RunPlanner;
use Sartal\Core\Plan\Planning\Suitability;
use Sartal\Core\Plan\Proposing\Understood;

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
        $plan = RunPlanner::plan(
            $proposal->run,
            $loaded->installation->withRun($proposal->run, $proposal->fittings, $proposal->circuits),
        );

        return response()->json([
            'cut' => PlanEncoder::worked($plan->cut),
            'circuits' => count($proposal->circuits),
            'fittings' => count($proposal->fittings),
            'findings' => array_map(PlanEncoder::finding(...), $plan->findings),
        ]);
    }

    /** A whole run from one line of words, with what was understood; nothing is saved. */
    public function quick(Request $request, Loaded $loaded): JsonResponse
    {
        $text = $request->string('text')->trim()->limit(300, '')->toString();
        ['proposal' => $proposal, 'guess' => $guess] = $this->desk->quick($loaded, $text);
        $with = $loaded->installation->withRun($proposal->run, $proposal->fittings, $proposal->circuits);
        $plan = RunPlanner::plan($proposal->run, $with);

        return response()->json([
            'line' => RunLine::describe($proposal->run, $with),
            'understood' => array_map(
                static fn (Understood $each): array => [
                    'what' => $each->what,
                    'took' => $each->took,
                    'said' => $each->said,
                ],
                $guess->understood,
            ),
            'cut' => PlanEncoder::worked($plan->cut),
            'circuits' => count($proposal->circuits),
            'fittings' => count($proposal->fittings),
            'findings' => array_map(PlanEncoder::finding(...), $plan->findings),
        ]);
    }

    /** Contact plans for a cable and a signal: what fits first, and of the rest why not. */
    public function fits(Request $request, Loaded $loaded): JsonResponse
    {
        $suitability = new Suitability($loaded->installation);
        $plans = [];
        foreach (array_slice(explode('|', $request->string('signals')->toString()), 0, 8) as $signal) {
            foreach ($suitability->of($request->string('cable')->toString(), $signal) as $plan => $findings) {
                $plans[] = [
                    'plan' => (string) $plan,
                    'signal' => $signal,
                    'why' => array_map(
                        static fn (Finding $finding): string => self::withoutPlace($finding->words),
                        $findings,
                    ),
                    'stops' => array_filter(
                        $findings,
                        static fn (Finding $finding): bool => $finding->severity === Severity::Stop,
                    ) !== [],
                ];
            }
        }

        return response()->json(['plans' => $plans]);
    }

    /** The run of this question has no code: what comes before the colon says nothing. */
    private static function withoutPlace(string $words): string
    {
        return (string) preg_replace('~^End [AB] of \?(?:, legs? [^:]+)?: ~', '', $words);
    }

    /** Many runs at once: the same fields for all, or new codes in a row. */
    public function bulk(Request $request, Loaded $loaded): JsonResponse
    {
        $request->validate([
            'runs' => 'required|array|min:1|max:2000',
            'runs.*.id' => 'required|string',
            'runs.*.version' => 'required|integer|min:1',
            'number' => 'nullable|array',
        ]);
        $versions = [];
        foreach ((array) $request->input('runs') as $each) {
            $versions[(string) $each['id']] = (int) $each['version'];
        }
        $lines = [];
        $number = $request->input('number');
        foreach (array_keys($versions) as $i => $id) {
            $lines[$id] = self::values($request) + (is_array($number) ? ['code' => self::numbered($number, $i)] : []);
        }
        try {
            $this->desk->changeMany($loaded, self::user($request), $lines, $versions);
        } catch (StaleWrite $stale) {
            return response()->json(
                [
                    'message' => 'Somebody has changed one of these runs meanwhile. Nothing was changed; look again and repeat.',
                    'stale' => $stale->key,
                ],
                409,
            );
        }

        return response()->json(['changed' => count($lines)]);
    }

    /** @param  array<array-key, mixed>  $number */
    private static function numbered(array $number, int $place): string
    {
        $prefix = is_string($number['prefix'] ?? null) ? trim($number['prefix']) : '';
        $from = is_numeric($number['from'] ?? null) ? (int) $number['from'] : 0;
        $step = is_numeric($number['step'] ?? null) ? (int) $number['step'] : 1;
        if ($prefix === '' || $from < 0 || $step < 1) {
            throw BadLine::because(
                'number',
                $prefix.' '.$from,
                'Give a prefix, a first number of nothing or more, and a step of one or more.',
            );
        }

        return $prefix.str_pad((string) ($from + $place * $step), 3, '0', STR_PAD_LEFT);
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
        $run = $this->desk->duplicate(
            $loaded,
            self::user($request),
            self::run($loaded, $id),
            trim($request->string('code')->toString()),
        );

        return $this->fresh($loaded->stored, $run->id, 201);
    }

    /** One joint made by hand, with the reason; without one, the plans decide again. */
    public function except(Request $request, Loaded $loaded, string $id, string $side): JsonResponse
    {
        $run = self::run($loaded, $id);
        $end = Side::tryFrom($side) ?? abort(404, 'A run has an end A and an end B.');
        $conductor = $request->string('conductor')->toString();
        $joint = null;
        if (! $request->boolean('back')) {
            $to = self::optional($request, 'to');
            $reason = $request->string('reason')->trim()->limit(300, '')->toString();
            if ($reason === '') {
                throw BadLine::because('reason', '', 'Say why: the reason stands on the sheet.');
            }
            if ($to !== null && ! $this->isPlace($to, $loaded)) {
                throw BadLine::because('to', $to, 'There is no such contact. Choose one of the fittings’.');
            }
            $joint = new HandJoint($conductor, $to, $reason);
        }
        try {
            $this->desk->except($loaded, self::user($request), $run, $end, $conductor, $joint, self::version($request));
        } catch (StaleWrite $stale) {
            return $this->stale($stale, $loaded, $id, []);
        }

        return $this->fresh($loaded->stored, $id);
    }

    /** Legs of one end prepared by another recipe than their connector's. */
    public function recipe(Request $request, Loaded $loaded, string $id, string $side): JsonResponse
    {
        $run = self::run($loaded, $id);
        $end = Side::tryFrom($side) ?? abort(404, 'A run has an end A and an end B.');
        $legs = array_values(array_filter((array) $request->input('legs'), is_string(...)));
        try {
            $this->desk->prepareBy(
                $loaded,
                self::user($request),
                $run,
                $end,
                $legs,
                $request->string('recipe')->toString(),
                self::version($request),
            );
        } catch (StaleWrite $stale) {
            return $this->stale($stale, $loaded, $id, []);
        }

        return $this->fresh($loaded->stored, $id);
    }

    private function isPlace(string $to, Loaded $loaded): bool
    {
        if (str_starts_with($to, 'splice:')) {
            return in_array(substr($to, 7), $loaded->installation->splices, true);
        }
        [$fitting, $address] = [...explode('/', $to, 2), ''];
        $found = $loaded->installation->fittings[$fitting] ?? null;

        return $found !== null && FittingLayout::of($found, $loaded->installation->catalogue)?->has($address) === true;
    }

    public function destroy(Request $request, Loaded $loaded, string $id): JsonResponse
    {
        try {
            $withdrawn = $this->desk->remove(
                $loaded,
                self::user($request),
                self::run($loaded, $id),
                self::version($request),
            );
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
     * @param  array<int|string, string>  $yours
     */
    private function stale(StaleWrite $stale, Loaded $loaded, string $id, array $yours): JsonResponse
    {
        $now = $this->store->load($loaded->stored->refresh());
        $run = $now->installation->runs[$id] ?? null;

        return response()->json(
            [
                'message' => $stale->getMessage(),
                'yours' => (object) $yours,
                'theirs' => $run === null
                        ? null
                        : [
                            'line' => RunLine::describe($run, $now->installation),
                            'row' => ScheduleResource::row($run, $now),
                        ],
            ],
            409,
        );
    }

    private static function run(Loaded $loaded, string $id): Run
    {
        return $loaded->installation->runs[$id] ?? abort(404, 'There is no such run here. It may have been removed.');
    }

    /** @return array<int|string, string> */
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
