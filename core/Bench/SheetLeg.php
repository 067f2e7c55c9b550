<?php

declare(strict_types=1);

namespace Sartal\Core\Bench;

use Sartal\Core\Installation\Leg;
use Sartal\Core\Preparing\LegPreparation;

/** One leg on a sheet. */
final readonly class SheetLeg
{
    public function __construct(public Leg $leg, public LegPreparation $preparation)
    {
    }
}
