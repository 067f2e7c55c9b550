<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The installations that somebody is of the crew of. */
final class InstallationController
{
    /** With "run": those that have it, for codes that were printed before a code named its installation. */
    public function index(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $run = $request->string('run')->toString();
        $own = $user->installations();
        $own->orderBy('installations.name');
        if ($run !== '') {
            $own->whereHas('runs', static fn (Builder $each) => $each->where('key', $run));
        }

        return response()->json([
            'installations' => $own
                ->get(['installations.id', 'installations.key', 'installations.address', 'installations.name'])
                ->map(static fn (StoredInstallation $each): array => $each->reference())
                ->all(),
        ]);
    }
}
