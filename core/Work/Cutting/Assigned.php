<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Length;

/** What is cut off one piece of stock, in the order of the cuts. */
final readonly class Assigned
{
    /** @param  list<Cut>  $cuts */
    public function __construct(public Stock $stock, public array $cuts)
    {
    }

    public function used(): Length
    {
        $used = Length::zero();
        foreach ($this->cuts as $cut) {
            $used = $used->plus($cut->length);
        }

        return $used;
    }

    /** What stays behind. */
    public function rest(): Length
    {
        return $this->stock->left->minus($this->used());
    }
}
