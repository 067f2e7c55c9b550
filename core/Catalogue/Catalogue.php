<?php

declare(strict_types=1);

namespace Sartal\Core\Catalogue;

/** Everything that can be bought and every convention by which it is wired, by id. */
final readonly class Catalogue
{
    /**
     * @param  array<string, CableType>  $cables
     * @param  array<string, ConnectorType>  $connectors
     * @param  array<string, SignalType>  $signals
     * @param  array<string, ContactPlan>  $plans
     */
    public function __construct(
        public array $cables = [],
        public array $connectors = [],
        public array $signals = [],
        public array $plans = [],
    ) {
    }

    /** Types of the other by the same id win: an installation's pinned types over the shipped ones. */
    public function with(self $other): self
    {
        return new self(
            $other->cables + $this->cables,
            $other->connectors + $this->connectors,
            $other->signals + $this->signals,
            $other->plans + $this->plans,
        );
    }
}
