<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

/** When the remaining work will be done, by whom, and what holds it up. */
final readonly class Forecast
{
    /**
     * @param  list<Booking>  $bookings  by their beginning
     * @param  float  $minutes  until all of it is done
     * @param  list<Floor>  $bounds  the tightest first
     * @param  list<Chore>  $stuck  that nobody of the crew can do, that wait for themselves, or that wait for such
     */
    public function __construct(
        public array $bookings,
        public float $minutes,
        public array $bounds,
        public array $stuck,
    ) {
    }

    public function bottleneck(): ?Floor
    {
        return $this->bounds[0] ?? null;
    }
}
