<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Measure\Kept;
use Sartal\Core\Given\Measure\NotDecided;

/** Everything that can be bought and every convention by which it is wired, by id. */
final readonly class Catalogue
{
    /** What has been worked out of it. */
    public Kept $kept;

    /**
     * @param  array<int|string, CableType>  $cables
     * @param  array<int|string, ConnectorType>  $connectors
     * @param  array<int|string, SignalType>  $signals
     * @param  array<int|string, ContactPlan>  $plans
     * @param  array<int|string, Part>  $parts
     * @param  array<int|string, Recipe>  $recipes
     * @param  array<int|string, MakingProcedure>  $procedures
     */
    public function __construct(
        private array $cables = [],
        private array $connectors = [],
        private array $signals = [],
        private array $plans = [],
        private array $parts = [],
        private array $recipes = [],
        private array $procedures = [],
    ) {
        $this->kept = new Kept();
    }

    /** @return array<int|string, CableType> */
    public function cables(): array
    {
        return $this->cables;
    }

    /** @return array<int|string, ConnectorType> */
    public function connectors(): array
    {
        return $this->connectors;
    }

    /** @return array<int|string, SignalType> */
    public function signals(): array
    {
        return $this->signals;
    }

    /** @return array<int|string, ContactPlan> */
    public function plans(): array
    {
        return $this->plans;
    }

    /** @return array<int|string, Part> */
    public function parts(): array
    {
        return $this->parts;
    }

    /** @return array<int|string, Recipe> */
    public function recipes(): array
    {
        return $this->recipes;
    }

    /** @return array<int|string, MakingProcedure> */
    public function procedures(): array
    {
        return $this->procedures;
    }

    /** How an end of this recipe is made for this connector: by what names the connector, before all others. */
    public function procedureFor(string $recipe, string $connector): ?MakingProcedure
    {
        $found = null;
        foreach ($this->procedures as $procedure) {
            if ($procedure->isFor($recipe, $connector) && ($found === null || $procedure->connectors !== [])) {
                $found = $procedure;
            }
        }

        return $found;
    }

    public function cable(int|string $id): ?CableType
    {
        return $this->cables[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function theCable(int|string $id): CableType
    {
        return $this->cables[$id] ?? throw NotDecided::of('cable', (string) $id);
    }

    public function connector(int|string $id): ?ConnectorType
    {
        return $this->connectors[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function theConnector(int|string $id): ConnectorType
    {
        return $this->connectors[$id] ?? throw NotDecided::of('connector', (string) $id);
    }

    public function signal(int|string $id): ?SignalType
    {
        return $this->signals[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function theSignal(int|string $id): SignalType
    {
        return $this->signals[$id] ?? throw NotDecided::of('signal', (string) $id);
    }

    public function contactPlan(int|string $id): ?ContactPlan
    {
        return $this->plans[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function theContactPlan(int|string $id): ContactPlan
    {
        return $this->plans[$id] ?? throw NotDecided::of('contactPlan', (string) $id);
    }

    public function part(int|string $id): ?Part
    {
        return $this->parts[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function thePart(int|string $id): Part
    {
        return $this->parts[$id] ?? throw NotDecided::of('part', (string) $id);
    }

    public function recipe(int|string $id): ?Recipe
    {
        return $this->recipes[$id] ?? null;
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
            array_replace($this->procedures, $other->procedures),
        );
    }

    /** Whether the other holds the very same types, in whatever order. */
    public function holdsAs(self $other): bool
    {
        $lists = static fn (self $of): array => [
            $of->cables,
            $of->connectors,
            $of->signals,
            $of->plans,
            $of->parts,
            $of->recipes,
            $of->procedures,
        ];
        foreach (array_map(null, $lists($this), $lists($other)) as [$here, $there]) {
            if (count($here) !== count($there)) {
                return false;
            }
            foreach ($here as $id => $type) {
                if (($there[$id] ?? null) !== $type) {
                    return false;
                }
            }
        }

        return true;
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
            $this->procedures + $other->procedures,
        );
    }

    /**
     * This one's types, and those that ship and that it lacks. A procedure does not stand for a recipe that was changed
     * here before it came: that one goes on being followed.
     */
    public function completedBy(self $shipped): self
    {
        $changed = [];
        foreach ($this->recipes as $id => $recipe) {
            if (isset($shipped->recipes[$id]) && $shipped->recipes[$id] != $recipe) {
                $changed[] = (string) $id;
            }
        }
        $procedures = [];
        foreach (array_diff_key($shipped->procedures, $this->procedures) as $id => $procedure) {
            $left = $procedure->instead($changed);
            $procedures += $left === null ? [] : [$id => $left];
        }

        return $this->plus($shipped->madeBy($procedures));
    }

    /** @param  array<int|string, MakingProcedure>  $procedures */
    public function madeBy(array $procedures): self
    {
        return new self(
            $this->cables,
            $this->connectors,
            $this->signals,
            $this->plans,
            $this->parts,
            $this->recipes,
            $procedures,
        );
    }
}
