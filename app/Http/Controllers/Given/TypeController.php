<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\Foresight;
use App\Changes\TypeDesk;
use App\Contract\Body;
use App\Http\Requests\Given\OnVersion;
use App\Http\Requests\Given\TypeDefinition;
use App\Http\Resources\Given\TypeResource;
use App\Http\Resources\Plan\ConsequencesResource;
use App\Planning\Edit;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;
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
    public function preview(
        #[Body(TypeDefinition::class)] TypeDefinition $sent,
        Loaded $loaded,
        string $kind,
    ): JsonResponse {
        $shape = TypeDesk::canonical(self::kind($kind), $sent->definition);
        $edit = new Edit(self::kind($kind), is_string($shape['id']) ? $shape['id'] : '', $shape);

        return response()->json(ConsequencesResource::of($this->foresight->consequences($loaded, $edit)));
    }

    public function save(
        #[Body(TypeDefinition::class)] TypeDefinition $sent,
        Loaded $loaded,
        Author $author,
        string $kind,
    ): JsonResponse {
        return response()->json([
            'id' => $this->desk->save($loaded, $author, self::kind($kind), $sent->definition, $sent->version),
        ]);
    }

    public function remove(
        #[Body(OnVersion::class)] OnVersion $sent,
        Loaded $loaded,
        Author $author,
        string $kind,
        string $id,
    ): JsonResponse {
        return response()->json([
            'done' => $this->desk->remove($loaded, $author, self::kind($kind), $id, $sent->version),
        ]);
    }

    private static function kind(string $kind): DecisionKind
    {
        $known = DecisionKind::tryFrom($kind);

        return $known?->home() === DecisionHome::Type ? $known : abort(404, 'There is no such kind of type.');
    }
}
