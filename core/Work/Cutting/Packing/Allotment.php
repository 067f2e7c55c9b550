<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/** Which lots come off which stock. */
final readonly class Allotment
{
    /**
     * @param  list<list<int>>  $shelf  keys of lots, by piece of stock
     * @param  list<list<int>>  $bought  keys of lots, by reel to be bought
     * @param  list<int>  $unmet  keys of lots that nothing holds
     */
    public function __construct(public array $shelf, public array $bought, public array $unmet = [])
    {
    }

    public function cost(Stocked $stocked): Cost
    {
        $cost = Cost::unmet(count($this->unmet));
        foreach ($this->shelf as $stock => $lots) {
            $cost = $cost->plus(Cost::onShelf($stocked, $stock, $stocked->sum($lots)));
        }
        foreach ($this->bought as $lots) {
            $cost = $cost->plus(Cost::onNew($stocked, $stocked->sum($lots)) ?? Cost::unmet(count($lots)));
        }

        return $cost;
    }
}
