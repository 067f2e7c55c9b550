<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\WiringEdit;

/** One thing that may have gone wrong: an edit of the wiring, and what is needed to name it. */
final readonly class Fault
{
    /**
     * @param  list<string>  $nodes  the terminals concerned, as wired when nothing is wrong
     * @param  list<string>  $edges  the joints or conductors concerned
     * @param  int  $by  how many places, for a shift
     * @param  string  $beyond  what became of what a shift pushed over the end: "round" to the other one, "lost"; "" of
     *     nothing
     */
    public function __construct(
        public FaultKind $kind,
        public array $nodes,
        public array $edges,
        public WiringEdit $edit,
        public int $by = 0,
        public string $beyond = '',
    ) {
    }

    /** The same for the same fault, whichever end of it was come upon first. */
    public function key(): string
    {
        [$nodes, $edges] = [$this->nodes, $this->edges];
        sort($nodes, SORT_STRING);
        sort($edges, SORT_STRING);

        return $this->kind->value.':'.implode(',', $nodes).':'.implode(',', $edges).':'.$this->by.$this->beyond;
    }
}
