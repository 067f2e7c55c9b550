<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Models\SavedView;
use App\Models\User;

/**
 * A view of the schedule, as whoever looks is told of it.
 *
 * @phpstan-import-type ScheduleView from SavedView
 *
 * @phpstan-type SavedViewShown array{
 *     id: string,
 *     name: string,
 *     shared: bool,
 *     mine: bool,
 *     by: string,
 *     version: int,
 *     shows: ScheduleView,
 * }
 */
final class ViewResource
{
    /** @return SavedViewShown */
    public static function of(SavedView $view, User $to): array
    {
        return [
            'id' => $view->id,
            'name' => $view->name,
            'shared' => $view->shared,
            'mine' => $view->user_id === $to->id,
            'by' => $view->user->name,
            'version' => $view->version,
            'shows' => $view->shows,
        ];
    }
}
