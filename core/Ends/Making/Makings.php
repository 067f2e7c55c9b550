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
     */
    public function of(
        Stations $end,
        MakingProcedure $procedure,
        array $protective = [],
        FarEnd $far = FarEnd::Taken,
    ): Made {
        return $this->made[$end->signature($procedure, $protective, $far)] ??= Made::by(
            $procedure,
            $end->workpiece(),
            $end->for($procedure, $protective, $far),
        );
    }

    /** How many kinds there were. */
    public function count(): int
    {
        return count($this->made);
    }
}
