<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

/** One thing that a quick line was taken to say, and whether it was said or filled in from habit. */
final readonly class Understood
{
    public function __construct(public string $what, public string $took, public bool $said)
    {
    }
}
