<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

/** Something that the work cannot be faster than. */
final readonly class Floor
{
    /** @param  float  $minutes  at least */
    public function __construct(public string $words, public float $minutes)
    {
    }
}
