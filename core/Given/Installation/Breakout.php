<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;

/** Where a branch leaves its loom, moved from the junction that the building has it at. */
final readonly class Breakout
{
    /**
     * @param  string  $at  location or junction id
     * @param  string  $into  way id that the branch goes on in, or "" for the ends at that place
     * @param  Length  $by  along the loom: negative before the junction, positive past it
     */
    public function __construct(public string $at, public string $into, public Length $by)
    {
    }
}
