<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Of what answers another event: a hold lifted, a question answered, a fault repaired. */
final readonly class Reply implements Particulars
{
    /** @param  string  $to  id of that event */
    public function __construct(public string $to)
    {
    }
}
