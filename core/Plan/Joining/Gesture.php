<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Given\Installation\Installation;

/**
 * One thing that a planner's hands do to an assembly: land, join, share, leave. Made of what people see (ends,
 * elements, contacts); it becomes ordinary decisions, which every other page reads and edits.
 */
interface Gesture
{
    /** @throws CannotJoin where it cannot be made on what is drawn; nothing counts then */
    public function draw(Sketch $on): void;

    /** What it is, as the log of changes says it. */
    public function words(Installation $in): string;
}
