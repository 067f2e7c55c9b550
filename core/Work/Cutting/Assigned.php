<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Length;

/** What is cut off one piece of stock, in the order of the cuts. */
final readonly class Assigned
{
    /** A reel of which less than such a part stays is full. */
    private const CLOSE = 200;

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

    /** Whether hardly anything stays of a reel, whose ends nobody has measured. */
    public function isTight(): bool
    {
        return $this->stock->kind->isReel() && $this->rest()->times(self::CLOSE)->compare($this->stock->left) < 0;
    }
}
