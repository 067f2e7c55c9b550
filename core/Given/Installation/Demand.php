<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** What a circuit is asked to carry, where it differs from the usual of its signal. */
final readonly class Demand
{
    /**
     * @param  ?VideoRate  $rate  of serial video
     * @param  ?float  $source  Ω that a line is driven from
     * @param  ?float  $load  Ω of a loudspeaker
     * @param  ?float  $line  V of a constant-voltage line or of a supply
     * @param  ?float  $power  W drawn at the far end
     */
    public function __construct(
        public ?VideoRate $rate = null,
        public ?float $source = null,
        public ?float $load = null,
        public ?float $line = null,
        public ?float $power = null,
    ) {
    }

    /** What is usual of its signal: nothing else is asked. */
    public static function usual(): self
    {
        /** @var ?self $usual one for all of thousands */
        static $usual = null;

        return $usual ??= new self();
    }
}
