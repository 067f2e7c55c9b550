<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

/** A chore in somebody's hands. */
final readonly class Booking
{
    /**
     * @param  float  $from  min from now
     * @param  float  $to  min from now
     */
    public function __construct(public Chore $chore, public string $hand, public float $from, public float $to)
    {
    }
}
