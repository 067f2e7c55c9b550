<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Of something confirmed that is damaged, or is no longer. */
final readonly class Flagged implements Particulars
{
    public function __construct(public Flag $flag)
    {
    }
}
