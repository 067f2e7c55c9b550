<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Proof\Record\Event;

/**
 * Records of one step that were made apart from each other: both are kept, and somebody who knows of both settles it.
 */
final readonly class Conflict
{
    /**
     * @param  Event  $stands  the one that the step stands by meanwhile
     * @param  Event  $other  the one that was made without knowing of it
     */
    public function __construct(public Dispute $dispute, public Event $stands, public Event $other)
    {
    }

    /** Whether somebody recorded it knowing of both. */
    public function isKnownTo(Event $event): bool
    {
        return in_array($this->stands->id, $event->on ?? [], true) &&
            in_array($this->other->id, $event->on ?? [], true);
    }
}
