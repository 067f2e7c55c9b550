<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Pinout;

/** A conductor's end that goes nowhere, and why. */
final readonly class Unused
{
    public function __construct(public string $conductor, public string $reason)
    {
    }
}
