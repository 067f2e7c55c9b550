<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * Numbers that look random and are always the same: a linear congruential generator (Numerical Recipes, 2nd edition,
 * chapter 7).
 */
final class Chance
{
    public function __construct(private int $state)
    {
    }

    /** From nothing up to, but not at, the limit. */
    public function below(int $limit): int
    {
        $this->state = ($this->state * 1_664_525 + 1_013_904_223) & 0xFFFFFFFF;

        return ($this->state >> 8) % $limit;
    }
}
