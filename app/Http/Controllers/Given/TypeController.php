<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\Foresight;
use App\Changes\TypeDesk;
use App\Http\Resources\Given\TypeResource;
use App\Http\Resources\Plan\ConsequencesResource;
use App\Planning\Edit;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\File\DecisionHome;
use Sartal\Core\File\DecisionKind;

/** The catalogue as an installation has it: shipped types, and types of its own. */
final readonly class TypeController
{
    public function __construct(private TypeDesk $desk, private Foresight $foresight)
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
        $shape = TypeDesk::canonical(self::kind($kind), $request->input('definition'));
        $edit = new Edit(self::kind($kind), is_string($shape['id']) ? $shape['id'] : '', $shape);

        return response()->json(ConsequencesResource::of($this->foresight->consequences($loaded, $edit)));
    }

    public function save(Request $request, Loaded $loaded, Author $author, string $kind): JsonResponse
    {
        $version = $request->input('version') === null ? null : $request->integer('version');

        return response()->json([
            'id' => $this->desk->save($loaded, $author, self::kind($kind), $request->input('definition'), $version),
        ]);
    }

    public function remove(Request $request, Loaded $loaded, Author $author, string $kind, string $id): JsonResponse
    {
        $version = $request->input('version') === null ? null : $request->integer('version');

        return response()->json([
            'done' => $this->desk->remove($loaded, $author, self::kind($kind), $id, $version),
        ]);
    }

    private static function kind(string $kind): DecisionKind
    {
        $known = DecisionKind::tryFrom($kind);

        return $known?->home() === DecisionHome::Type ? $known : abort(404, 'There is no such kind of type.');
    }
}
