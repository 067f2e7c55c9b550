<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Preparing\LegPreparation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Measure\Worked;

/** One leg on a sheet. */
final readonly class SheetLeg
{
    /** @param  ?Worked  $tail  behind a panel; null where nothing but its stated length is known */
    public function __construct(public Leg $leg, public LegPreparation $preparation, public ?Worked $tail = null)
    {
    }
}
