<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\Author;
use App\Changes\EndDesk;
use App\Changes\RunDesk;
use App\Changes\RunLines;
use App\Changes\RunWritten;
use App\Formats\BadLine;
use App\Formats\RunLine;
use App\Http\Resources\Plan\RunResource;
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
    public function __construct(private RunDesk $desk, private RunLines $lines, private EndDesk $ends)
    {
    }

    public function show(Loaded $loaded, string $id): JsonResponse
    {
        return response()->json(RunResource::of(self::run($loaded, $id), $loaded));
    }

    /** What a line would become, before anything is saved. */
    public function propose(Request $request, Loaded $loaded): JsonResponse
    {
        $proposal = $this->lines->propose($loaded, self::values($request), self::optional($request, 'id'));
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
        ['proposal' => $proposal, 'guess' => $guess] = $this->lines->quick($loaded, $text);
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
                    'why' => array_map(static fn (Finding $finding): string => $finding->withoutPlace(), $findings),
                    'stops' => array_filter(
                        $findings,
                        static fn (Finding $finding): bool => $finding->severity === Severity::Stop,
                    ) !== [],
                ];
            }
        }

        return response()->json(['plans' => $plans]);
    }

    /** Many runs at once: the same fields for all, or new codes in a row. */
    public function bulk(Request $request, Loaded $loaded, Author $author): JsonResponse
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
        $this->desk->changeMany($loaded, $author, $lines, $versions);

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

    public function store(Request $request, Loaded $loaded, Author $author): JsonResponse
    {
        return self::answer($this->desk->add($loaded, $author, self::values($request)), 201);
    }

    public function update(Request $request, Loaded $loaded, Author $author, string $id): JsonResponse
    {
        $run = self::run($loaded, $id);

        return self::answer(
            $this->desk->change($loaded, $author, $run, self::values($request), self::version($request)),
        );
    }

    public function duplicate(Request $request, Loaded $loaded, Author $author, string $id): JsonResponse
    {
        $code = trim($request->string('code')->toString());

        return self::answer($this->desk->duplicate($loaded, $author, self::run($loaded, $id), $code), 201);
    }

    /** One joint made by hand, with the reason; without one, the plans decide again. */
    public function except(Request $request, Loaded $loaded, Author $author, string $id, string $side): JsonResponse
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

        return self::answer(
            $this->ends->join($loaded, $author, $run, $end, $conductor, $joint, self::version($request)),
        );
    }

    /** Legs of one end prepared by another recipe than their connector's. */
    public function recipe(Request $request, Loaded $loaded, Author $author, string $id, string $side): JsonResponse
    {
        $run = self::run($loaded, $id);
        $end = Side::tryFrom($side) ?? abort(404, 'A run has an end A and an end B.');
        $legs = array_values(array_filter((array) $request->input('legs'), is_string(...)));

        return self::answer(
            $this->ends->prepareBy(
                $loaded,
                $author,
                $run,
                $end,
                $legs,
                $request->string('recipe')->toString(),
                self::version($request),
            ),
        );
    }

    private function isPlace(string $to, Loaded $loaded): bool
    {
        if (str_starts_with($to, 'splice:')) {
            return in_array(substr($to, 7), $loaded->installation->splices(), true);
        }
        [$fitting, $address] = [...explode('/', $to, 2), ''];
        $found = $loaded->installation->fittings()[$fitting] ?? null;

        return $found !== null &&
            FittingLayout::unfolded($found, $loaded->installation->catalogue)?->has($address) === true;
    }

    public function destroy(Request $request, Loaded $loaded, Author $author, string $id): JsonResponse
    {
        $withdrawn = $this->desk->remove($loaded, $author, self::run($loaded, $id), self::version($request));

        return response()->json(['withdrawn' => $withdrawn]);
    }

    /** The run as it is since. */
    private static function answer(RunWritten $made, int $status = 200): JsonResponse
    {
        $now = $made->written->now();

        return response()->json(RunResource::of($now->installation->runs()[$made->run], $now), $status);
    }

    private static function run(Loaded $loaded, string $id): Run
    {
        return $loaded->installation->runs()[$id] ?? abort(404, 'There is no such run here. It may have been removed.');
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
}
