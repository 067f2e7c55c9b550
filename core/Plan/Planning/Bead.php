<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

final readonly class Bead
{
    public function __construct(public Stage $stage, public BeadState $state)
    {
    }
}
