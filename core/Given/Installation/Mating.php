<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A fitting plugged into another fitting ("F12") or into a device's port ("mixer:in-3"). */
final readonly class Mating
{
    public function __construct(public string $fitting, public string $with)
    {
    }
}
