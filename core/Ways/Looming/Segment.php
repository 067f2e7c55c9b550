<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Length;

/** A piece of a loom along which the same runs lie together. */
final readonly class Segment
{
    /**
     * @param  string  $id  stays while the loom's shape does: way, stretch
     * @param  ?string  $before  id of the segment that it goes on from, towards the root
     * @param  Way  $way  that it lies in
     * @param  Length  $from  along the way, from its end nearer to the root
     * @param  Length  $start  from the root to its beginning, along the loom
     * @param  list<string>  $members  run ids
     * @param  bool  $beside  a branch that left early, or comes back, beside the rest in that way
     */
    public function __construct(
        public string $id,
        public ?string $before,
        public Way $way,
        public Length $from,
        public Length $to,
        public Length $start,
        public array $members,
        public bool $beside = false,
    ) {
    }

    public function length(): Length
    {
        return $this->to->compare($this->from) >= 0 ? $this->to->minus($this->from) : $this->from->minus($this->to);
    }

    public function end(): Length
    {
        return $this->start->plus($this->length());
    }
}
