<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\StaleWrite;
use App\Changes\TypeDesk;
use App\Http\Resources\Given\TypeResource;
use App\Http\Resources\Plan\ConsequencesResource;
use App\Models\User;
use App\Planning\Loaded;
use App\Planning\TypeKinds;
use App\Planning\Uncollected;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\Plan\Planning\Consequences;

/** The catalogue as an installation has it: shipped types, and types of its own. */
final readonly class TypeController
{
    public function __construct(private TypeDesk $desk)
    {
    }

    public function index(Loaded $loaded): JsonResponse
    {
        return response()->json(TypeResource::all($loaded));
    }

    public function show(Loaded $loaded, string $kind, string $id): JsonResponse
    {
        return response()->json(TypeResource::of(self::kind($kind), $id, $loaded));
    }

    /** What the type would change in the plan, before it is saved. */
    public function preview(Request $request, Loaded $loaded, string $kind): JsonResponse
    {
        $then = TypeDesk::with($loaded->installation, self::kind($kind), $request->input('definition'));

        return response()->json(
            ConsequencesResource::of(
                Uncollected::run(
                    static fn (): Consequences => Consequences::of($loaded->installation, $then, $loaded->record),
                ),
            ),
        );
    }

    public function save(Request $request, Loaded $loaded, string $kind): JsonResponse
    {
        try {
            $id = $this->desk->save(
                $loaded,
                self::user($request),
                self::kind($kind),
                $request->input('definition'),
                $request->input('version') === null ? null : $request->integer('version'),
            );
        } catch (StaleWrite $stale) {
            return response()->json(
                [
                    'message' => $stale->getMessage(),
                    'yours' => $request->input('definition'),
                    'theirs' => $loaded->stored->parts()->where('kind', $kind)->where('key', $stale->key)->first()
                        ?->definition,
                ],
                409,
            );
        }

        return response()->json(['id' => $id]);
    }

    public function remove(Request $request, Loaded $loaded, string $kind, string $id): JsonResponse
    {
        try {
            $done = $this->desk->remove(
                $loaded,
                self::user($request),
                self::kind($kind),
                $id,
                $request->input('version') === null ? null : $request->integer('version'),
            );
        } catch (StaleWrite $stale) {
            return response()->json(['message' => $stale->getMessage()], 409);
        }

        return response()->json(['done' => $done]);
    }

    private static function kind(string $kind): string
    {
        return isset(TypeKinds::LISTS[$kind]) ? $kind : abort(404, 'There is no such kind of type.');
    }

    private static function user(Request $request): User
    {
        $user = $request->user();
        assert($user instanceof User);

        return $user;
    }
}
