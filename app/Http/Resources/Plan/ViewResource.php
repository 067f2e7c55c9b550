<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Http\Requests\Plan\ColumnShown;
use App\Http\Requests\Plan\ScheduleColumn;
use App\Http\Requests\Plan\ScheduleGroup;
use App\Http\Requests\Plan\SortedBy;
use App\Http\Requests\Plan\ViewShows;
use App\Models\SavedView;
use App\Models\User;

/**
 * A view of the schedule, as whoever looks is told of it.
 *
 * @phpstan-type ScheduleView array{
 *     words: string,
 *     columns: list<array{key: value-of<ScheduleColumn>, width: int}>,
 *     sort: list<array{key: value-of<ScheduleColumn>, down: bool}>,
 *     group: value-of<ScheduleGroup>,
 * }
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

    /** @return ScheduleView */
    public static function shows(ViewShows $sent): array
    {
        return [
            'words' => $sent->words,
            'columns' => array_map(
                static fn (ColumnShown $each): array => ['key' => $each->key->value, 'width' => $each->width],
                $sent->columns,
            ),
            'sort' => array_map(
                static fn (SortedBy $each): array => ['key' => $each->key->value, 'down' => $each->down],
                $sent->sort,
            ),
            'group' => $sent->group->value,
        ];
    }
}
