<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;

/**
 * Ends of one catalogue as they are made, each kind once: of a thousand runs most are made alike. Not kept beyond what
 * asks for it.
 */
final class Makings
{
    /** @var array<string, Made> by signature */
    private array $made = [];

    /**
     * @param  list<string>  $protective  functions that are protective earth's
     * @param  bool  $farOpen  nothing is at the cable's other end yet
     */
    public function of(
        Stations $end,
        MakingProcedure $procedure,
        array $protective = [],
        bool $farOpen = false,
    ): Made {
        return $this->made[$end->signature($procedure, $protective, $farOpen)] ??= Made::by(
            $procedure,
            $end->workpiece(),
            $end->for($procedure, $protective, $farOpen),
        );
    }

    /** How many kinds there were. */
    public function count(): int
    {
        return count($this->made);
    }
}
