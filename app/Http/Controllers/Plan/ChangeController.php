<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\ChangeLog;
use App\Changes\StaleWrite;
use App\Models\Change;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ChangeController
{
    private const SHOWN = 100;

    public function index(Request $request, StoredInstallation $stored): JsonResponse
    {
        /** @var Collection<int, Change> $changes */
        $changes = Change::query()
            ->with('user')
            ->where('installation_id', $stored->id)
            ->latest('id')
            ->limit(self::SHOWN)
            ->get();
        $undone = $stored->changes()->whereIn('undoes', $changes->modelKeys())->pluck('undoes')->all();

        return response()->json(
            $changes
                ->map(
                    static fn (Change $change): array => [
                        'id' => $change->id,
                        'words' => $change->words,
                        'who' => $change->user->name,
                        'mine' => $change->user_id === $request->user()?->getAuthIdentifier(),
                        'at' => $change->created_at,
                        'undone' => in_array($change->id, $undone, true),
                    ],
                )
                ->all(),
        );
    }

    public function undo(Request $request, StoredInstallation $stored, ChangeLog $log, int $id): JsonResponse
    {
        $user = $request->user();
        assert($user instanceof User);
        $change = Change::query()->where('installation_id', $stored->id)->find($id);
        if ($change === null) {
            abort(404, 'There is no such change.');
        }
        abort_if($stored->changes()->where('undoes', $id)->exists(), 409, 'This change has been undone already.');
        try {
            $undone = $log->undo($stored, $user, $change);
        } catch (StaleWrite) {
            abort(
                409,
                'What this change touched has been changed again since. Undo the later change first, or edit it by hand.',
            );
        }

        return response()->json(['id' => $undone->id, 'words' => $undone->words], 201);
    }
}
