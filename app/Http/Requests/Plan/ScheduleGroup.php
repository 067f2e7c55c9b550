<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

/** By what the runs of a schedule stand together. */
enum ScheduleGroup: string
{
    case None = '';
    case Loom = 'loom';
    case From = 'from';
    case To = 'to';
    case Cable = 'cable';
    case Signal = 'signal';

    /** the first stage that is not done */
    case Next = 'next';
}
