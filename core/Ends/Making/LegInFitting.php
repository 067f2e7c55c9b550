<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Preparing\LegPreparation;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Installation\Leg;

/** A leg that goes into a connector, and how it is made ready for it. */
final readonly class LegInFitting
{
    /**
     * @param  list<Joint>  $joints
     * @param  ?MadeEnd  $made  by its procedure, whether that makes it right or not; null where none is for it
     * @param  ?MadeEnd  $plain  as it is done where its procedure does not make it right; null where it does
     */
    public function __construct(
        public Leg $leg,
        public LegFit $fit,
        public array $joints,
        public LegPreparation $preparation,
        public ?MadeEnd $made = null,
        public ?MadeEnd $plain = null,
    ) {
    }

    public function madeAs(?MadeEnd $made, ?MadeEnd $plain): self
    {
        return new self($this->leg, $this->fit, $this->joints, $this->preparation, $made, $plain);
    }
}
