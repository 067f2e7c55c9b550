<?php

declare(strict_types=1);

namespace App\Changes;

/** What was written of one run. */
final readonly class RunWritten
{
    public function __construct(public string $run, public Written $written)
    {
    }
}
