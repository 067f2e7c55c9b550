<?php

declare(strict_types=1);

namespace App\Planning;

/** s of the processor that a request may take; a worker has as long as it needs. */
final class TimeLimit
{
    /** From now on, at least: for what takes longer than a page, and ends before its time is over. */
    public static function raise(int $seconds): void
    {
        $most = (int) ini_get('max_execution_time');
        if ($most > 0 && $most < $seconds) {
            set_time_limit($seconds);
        }
    }
}
