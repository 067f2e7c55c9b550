<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;

/** What a view of the schedule shows, and in which order. */
final readonly class ViewShows implements Shape
{
    /**
     * @param  string  $words  of the filter
     * @param  list<ColumnShown>  $columns  from the left
     * @param  list<SortedBy>  $sort  the first weighs most
     */
    public function __construct(
        #[Text(max: 500, min: 0)] public string $words,
        #[Items(max: 20, min: 1, remedy: 'Show at least one column.')] public array $columns,
        #[Items(max: 6)] public array $sort = [],
        public ScheduleGroup $group = ScheduleGroup::None,
    ) {
    }
}
