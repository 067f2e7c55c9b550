<?php

declare(strict_types=1);

use App\Telling\Digests;
use Illuminate\Support\Facades\Schedule;

// Before work begins.
Schedule::command('sartal:digest')
    ->dailyAt('06:00')
    ->when(Digests::arePossible(...))
    ->withoutOverlapping();
