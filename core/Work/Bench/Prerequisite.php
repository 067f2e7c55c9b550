<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/** Something that must be done before, and why. */
final readonly class Prerequisite
{
    /** @param  string  $before  operation id */
    public function __construct(public string $before, public string $why)
    {
    }
}
