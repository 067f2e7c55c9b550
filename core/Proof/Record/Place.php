<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Where an event has its place: at a time, and after how many others that its causes put at the same time. */
final readonly class Place
{
    /** @param  string  $time  RFC 3339, UTC, to the microsecond: such texts stand in the order of their times */
    public function __construct(public string $time, public int $rank = 0)
    {
    }

    /** Never before its causes: at its own time, or where that is not after this cause, just after the cause. */
    public function after(self $cause): self
    {
        return $this->compare($cause) > 0 ? $this : new self($cause->time, $cause->rank + 1);
    }

    /** < 0: it stands before the other. */
    public function compare(self $other): int
    {
        return strcmp($this->time, $other->time) ?: $this->rank <=> $other->rank;
    }
}
