<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Given\Installation\Side;

/** A point that a tester can touch: a contact, a shell, or a core at an open end. */
final readonly class Probe
{
    /**
     * @param  string  $fitting  "" at an open end
     * @param  string  $address  of the contact, or the conductor's path at an open end
     * @param  string  $serves  what is joined there: "ch 3 hot", or "" where nothing is
     * @param  string  $channel  of the connector, where something is joined there
     */
    public function __construct(
        public string $node,
        public Side $side,
        public string $fitting,
        public string $address,
        public string $serves,
        public string $channel = '',
    ) {
    }
}
