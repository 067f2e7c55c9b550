<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Proof\Record\Event;

/** Where one operation stands, and which event made it so. */
final readonly class Standing
{
    /** @param  ?Event  $flagged  the last flag on it */
    public function __construct(public Status $status, public ?Event $by = null, public ?Event $flagged = null)
    {
    }
}
