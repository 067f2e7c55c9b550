<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/** What a rest costs: all of it where it is scrap, little where it goes back on the shelf. */
final readonly class Leftover
{
    /** A usable rest is better than scrap, and worse than none: it has to be stored and remembered. */
    private const KEPT = 0.05;

    /** @param  int  $usable  units from which a rest is worth keeping */
    public function __construct(public int $usable)
    {
    }

    /** Every unit counts alike. */
    public static function plain(): self
    {
        return new self(PHP_INT_MAX);
    }

    public function cost(int $free): float
    {
        return $free < $this->usable ? (float) $free : $free * self::KEPT;
    }
}
