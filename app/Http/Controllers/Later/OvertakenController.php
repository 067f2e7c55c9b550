<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Changes\RemedyDesk;
use App\Http\Resources\Later\ImpactResource;
use App\Models\Membership;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

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

    public function record(Request $request, Membership $member, StoredInstallation $stored, string $id): JsonResponse
    {
        $request->validate(['id' => 'required|uuid', 'remedy' => 'required|string|max:40']);
        $this->desk->record(
            $stored,
            $member,
            $id,
            $request->string('remedy')->toString(),
            $request->string('id')->lower()->toString(),
        );

        return response()->json(['recorded' => true], 201);
    }
}
