<?php

declare(strict_types=1);

namespace App\Bench;

/** What is kept of a job, apart by who reads it. */
enum JobSide: string
{
    /** {@see KeptJob}: for lists */
    case Line = 'jobs';

    /** list of {@see Stretch}: for a forecast */
    case Ahead = 'jobs ahead';

    /** {@see JobPast}: for whoever looks at it again */
    case Past = 'jobs past';

    /** Under which a part of all jobs is kept. */
    public function name(int $part): string
    {
        return $this->value.' '.$part;
    }
}
