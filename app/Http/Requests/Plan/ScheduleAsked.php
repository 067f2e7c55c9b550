<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;

/** The schedule, where it has changed. */
final readonly class ScheduleAsked implements Shape
{
    /**
     * @param  string  $since  the cursor, or the revision, that is known
     */
    public function __construct(#[Text(max: 80, min: 0)] public string $since = '')
    {
    }
}
