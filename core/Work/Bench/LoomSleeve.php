<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\Part;

/** A sleeve that a run is threaded through: of its loom, or its own. */
final readonly class LoomSleeve
{
    /**
     * @param  string  $loom  id; "": the cable's own, over all of it
     * @param  string  $way  id of the way that the sleeve lies in
     * @param  string  $words  which stretch of its loom
     */
    public function __construct(public string $loom, public string $way, public string $words, public Part $sleeve)
    {
    }

    /** Tells it from the others of its run. */
    public function key(): string
    {
        return $this->loom.' '.$this->way;
    }
}
