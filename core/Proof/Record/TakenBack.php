<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Of something taken back: what no longer holds. */
final readonly class TakenBack implements Particulars
{
    public function __construct(public EventKind $kind)
    {
    }
}
