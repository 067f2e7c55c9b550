<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Changes\RemedyDesk;
use App\Contract\Body;
use App\Http\Requests\Later\ChosenRemedy;
use App\Http\Resources\Later\ImpactResource;
use App\Models\Membership;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;

/** Work that a change has overtaken, and its remedies. */
final readonly class OvertakenController
{
    public function __construct(private RemedyDesk $desk)
    {
    }

    public function index(Loaded $loaded): JsonResponse
    {
        return response()->json(ImpactResource::of($this->desk->standing($loaded)));
    }

    public function show(Loaded $loaded, string $id): JsonResponse
    {
        $impact = $this->desk->on($loaded, $id);

        return response()->json(['run' => $impact === null ? null : ImpactResource::run($impact)]);
    }

    public function record(
        #[Body(ChosenRemedy::class)] ChosenRemedy $sent,
        Membership $member,
        StoredInstallation $stored,
        string $id,
    ): JsonResponse {
        $this->desk->record($stored, $member, $id, $sent->remedy, strtolower($sent->id));

        return response()->json(['recorded' => true], 201);
    }
}
