<?php

declare(strict_types=1);

namespace Sartal\Core\Installation;

/** A signal from one channel to one or more others, whichever runs it passes through. */
final readonly class Circuit
{
    public function __construct(
        public string $id,
        public string $name,
        public string $signal,
        public Topology $topology = Topology::PointToPoint,
    ) {
    }
}
