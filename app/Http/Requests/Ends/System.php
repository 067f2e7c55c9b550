<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

/** Units of measure. */
enum System: string
{
    case Metric = 'metric';
    case Inch = 'inch';
}
