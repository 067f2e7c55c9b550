<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Service;

use Sartal\Core\Proof\Record\Event;

/** Something that went wrong in service, and what became of it. */
final readonly class ServiceFault
{
    /**
     * @param  ?Event  $repair  null where nobody has mended it yet
     * @param  ?Event  $test  a test after the repair that passed; null where there is none yet
     */
    public function __construct(public Event $report, public ?Event $repair = null, public ?Event $test = null)
    {
    }

    public function isClosed(): bool
    {
        return $this->test !== null;
    }
}
