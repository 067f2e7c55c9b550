<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Reversal;
use App\Contract\Answer;
use App\Models\Change;
use App\Models\StoredInstallation;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;

/**
 * @phpstan-type ChangeShown array{
 *     id: int,
 *     words: string,
 *     who: string,
 *     mine: bool,
 *     at: string,
 *     undone: bool,
 *     reversal: value-of<Reversal>,
 * }
 */
final class ChangeController
{
    private const SHOWN = 100;

    /** @return Answer<list<ChangeShown>> */
    public function index(Request $request, StoredInstallation $stored): Answer
    {
        /** @var Collection<int, Change> $changes */
        $changes = Change::query()
            ->with('user')
            ->where('installation_id', $stored->id)
            ->latest('id')
            ->limit(self::SHOWN)
            ->get();
        $undone = $stored->changes()->whereIn('undoes', $changes->modelKeys())->pluck('undoes')->all();

        $shown = [];
        foreach ($changes as $change) {
            $shown[] = [
                'id' => $change->id,
                'words' => $change->words,
                'who' => $change->user->name,
                'mine' => $change->user_id === $request->user()?->getAuthIdentifier(),
                'at' => $change->created_at,
                'undone' => in_array($change->id, $undone, true),
                'reversal' => Reversal::of($change)->value,
            ];
        }

        return new Answer($shown);
    }

    /** @return Answer<array{id: int, words: string}> */
    public function undo(StoredInstallation $stored, Author $author, ChangeLog $log, int $id): Answer
    {
        $change = Change::query()->where('installation_id', $stored->id)->find($id);
        if ($change === null) {
            abort(404, 'There is no such change.');
        }
        abort_if($stored->changes()->where('undoes', $id)->exists(), 409, 'This change has been undone already.');
        $undone = $log->undo($stored, $author, $change)->change;

        return new Answer(['id' => $undone->id, 'words' => $undone->words], 201);
    }
}
