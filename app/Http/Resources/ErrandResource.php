<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Contract\Map;
use App\Errands\ErrandKind;
use App\Errands\ErrandState;
use App\Models\Errand;
use App\Models\User;

/**
 * An errand as it is watched.
 *
 * @phpstan-type ErrandLine array{
 *     id: string,
 *     kind: value-of<ErrandKind>,
 *     who: string,
 *     mine: bool,
 *     state: value-of<ErrandState>,
 *     words: string,
 *     done: int,
 *     of: int,
 *     before: int,
 *     problem: string,
 *     problems: list<array{path: string, value: string, words: string}>,
 *     more: int,
 *     result: Map<int|string>,
 *     at: string,
 *     ended: string|null,
 * }
 */
final class ErrandResource
{
    /**
     * @param  int  $before  that wait for their turn before it
     * @return ErrandLine
     */
    public static function of(Errand $errand, User $for, int $before): array
    {
        return [
            'id' => $errand->id,
            'kind' => $errand->kind->value,
            'who' => $errand->user->name,
            'mine' => $errand->user_id === $for->id,
            'state' => $errand->state->value,
            'words' => $errand->words,
            'done' => $errand->done,
            'of' => $errand->of,
            'before' => $before,
            'problem' => $errand->problem,
            'problems' => $errand->problems,
            'more' => $errand->more,
            'result' => new Map($errand->result ?? []),
            'at' => $errand->asked_at,
            'ended' => $errand->ended_at,
        ];
    }
}
