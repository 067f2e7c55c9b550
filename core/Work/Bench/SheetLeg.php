<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Preparing\LegPreparation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Measure\Worked;

/** One leg on a sheet. */
final readonly class SheetLeg
{
    /**
     * @param  ?Worked  $tail  behind a panel; null where nothing but its stated length is known
     * @param  ?MadeEnd  $made  by its procedure; null where none is for it
     */
    public function __construct(
        public Leg $leg,
        public LegPreparation $preparation,
        public ?Worked $tail = null,
        public ?MadeEnd $made = null,
    ) {
    }

    public function with(?MadeEnd $made): self
    {
        return new self($this->leg, $this->preparation, $this->tail, $made);
    }

    /** Whether the sheet follows its procedure; else it follows the recipe. */
    public function isMade(): bool
    {
        return $this->made?->made->isRight() === true;
    }
}
