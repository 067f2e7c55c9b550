<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A signal from one channel to one or more others, whichever runs it passes through. */
final readonly class Circuit
{
    /**
     * @param  string  $from  fitting that its source is plugged into; "" where nobody said
     * @param  string  $phantom  fitting that phantom power comes in by; "" where none does
     * @param  string  $terminator  fitting or "device:port" that ends a daisy chain; "" where nobody said
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $signal,
        public Topology $topology = Topology::PointToPoint,
        public string $from = '',
        public string $phantom = '',
        public string $terminator = '',
        public Demand $demand = new Demand(),
    ) {
    }
}
