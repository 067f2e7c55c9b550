<?php

declare(strict_types=1);

namespace Sartal\Core\Bench;

use Sartal\Core\Installation\Leg;
use Sartal\Core\Measure\Worked;
use Sartal\Core\Preparing\LegPreparation;

/** One leg on a sheet. */
final readonly class SheetLeg
{
    /** @param  ?Worked  $tail  behind a panel; null where nothing but its stated length is known */
    public function __construct(public Leg $leg, public LegPreparation $preparation, public ?Worked $tail = null)
    {
    }
}
