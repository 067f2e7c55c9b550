<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

/** What a schedule can show of each run, and be put in order by. */
enum ScheduleColumn: string
{
    case Code = 'code';

    /** both places, one over the other */
    case Places = 'places';

    case From = 'from';
    case To = 'to';

    /** the cable over its ends */
    case Made = 'made';

    case Cable = 'cable';
    case EndA = 'end-a';
    case EndB = 'end-b';
    case Signal = 'signal';
    case Ways = 'ways';
    case Loom = 'loom';

    /** where it is built */
    case Build = 'build';

    case Cut = 'cut';
    case TailA = 'tail-a';
    case TailB = 'tail-b';
    case Strand = 'strand';

    /** the first stage that is not done */
    case Next = 'next';

    case Who = 'who';
    case Note = 'note';

    /** what somebody should look at */
    case Look = 'look';
}
