<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Preparing\Block;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\HoodExit;
use Sartal\Core\Given\Installation\Fitting;

/** A connector, and the legs of one cable end that go into it. */
final readonly class FittingAtEnd
{
    /**
     * @param  non-empty-list<LegInFitting>  $legs
     * @param  list<Block>  $blocks  of channels that are cut to one length each
     */
    public function __construct(
        public Fitting $fitting,
        public ?ContactPlan $plan,
        public ?HoodExit $exit,
        public array $legs,
        public array $blocks,
    ) {
    }
}
