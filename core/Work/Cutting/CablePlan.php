<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Measure\Length;

/** How the cuts of one cable type come off the stock. */
final readonly class CablePlan
{
    /**
     * @param  list<Assigned>  $assigned  in the order in which stock is used up; untouched stock is not in it
     * @param  list<Stock>  $untouched
     * @param  list<CutNeeded>  $unmet  that no stock holds
     * @param  int  $bought  reels to be bought
     * @param  int  $atLeast  no plan could do with fewer reels bought
     * @param  ?Length  $reel  that is bought; null where the type does not say how it is sold
     * @param  Length  $scrap  left over in pieces too short to keep
     * @param  Length  $kept  left over in pieces that go back on the shelf
     * @param  list<Finding>  $findings
     */
    public function __construct(
        public string $cable,
        public array $assigned,
        public array $untouched,
        public array $unmet,
        public int $bought,
        public int $atLeast,
        public ?Length $reel,
        public Length $scrap,
        public Length $kept,
        public array $findings,
    ) {
    }

    public function needed(): Length
    {
        $needed = Length::zero();
        foreach ($this->assigned as $assigned) {
            $needed = $needed->plus($assigned->used());
        }

        return $needed;
    }
}
