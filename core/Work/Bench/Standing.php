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

    /**
     * Of what made it so: what is recorded on the operation, on what it needs
     * or on what needs it is done on that.
     *
     * @return list<string> ids of events
     */
    public function madeBy(): array
    {
        $made = array_filter([$this->by, $this->flagged], static fn (?Event $event): bool => $event !== null);

        return array_values(array_unique(array_map(static fn (Event $event): string => $event->id, $made)));
    }
}
