<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

/** One way of doing all the work, and the order that led to it. */
final readonly class Attempt
{
    /**
     * @param  list<Booking>  $bookings
     * @param  float  $minutes  until all of it is done
     * @param  array<int|string, float>  $urgency  chore → how urgent it was taken to be
     */
    public function __construct(public array $bookings, public float $minutes, public array $urgency)
    {
    }

    public function isBetterThan(?self $other): bool
    {
        return $other === null || $this->minutes < $other->minutes - 1e-9;
    }
}
