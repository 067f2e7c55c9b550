<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** Everything that can be bought and every convention by which it is wired, by id. */
final readonly class Catalogue
{
    /**
     * @param  array<int|string, CableType>  $cables
     * @param  array<int|string, ConnectorType>  $connectors
     * @param  array<int|string, SignalType>  $signals
     * @param  array<int|string, ContactPlan>  $plans
     * @param  array<int|string, Part>  $parts
     * @param  array<int|string, Recipe>  $recipes
     */
    public function __construct(
        public array $cables = [],
        public array $connectors = [],
        public array $signals = [],
        public array $plans = [],
        public array $parts = [],
        public array $recipes = [],
    ) {
    }

    /** A contact plan, or the one that it stands for under the house's colour scheme. */
    public function plan(string $id, string $scheme): ?ContactPlan
    {
        $plan = $this->plans[$id] ?? null;
        $meant = $plan?->byScheme[$scheme] ?? null;

        return $meant === null ? $plan : $this->plans[$meant] ?? $plan;
    }

    /** The other's types in the place of this one's of the same id, or after them. */
    public function replacing(self $other): self
    {
        return new self(
            array_replace($this->cables, $other->cables),
            array_replace($this->connectors, $other->connectors),
            array_replace($this->signals, $other->signals),
            array_replace($this->plans, $other->plans),
            array_replace($this->parts, $other->parts),
            array_replace($this->recipes, $other->recipes),
        );
    }

    /** This one's types in their order, then those of the other that it lacks. */
    public function plus(self $other): self
    {
        return new self(
            $this->cables + $other->cables,
            $this->connectors + $other->connectors,
            $this->signals + $other->signals,
            $this->plans + $other->plans,
            $this->parts + $other->parts,
            $this->recipes + $other->recipes,
        );
    }
}
