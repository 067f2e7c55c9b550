<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Catalogue\Former\FormerMaking;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
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
     * @param  array<int|string, MakingProcedure>  $procedures
     * @param  FormerMaking  $former  of a catalogue from before procedures, by which its records are read
     */
    public function __construct(
        private array $cables = [],
        private array $connectors = [],
        private array $signals = [],
        private array $plans = [],
        private array $parts = [],
        private array $procedures = [],
        public FormerMaking $former = new FormerMaking(),
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

    /** @return array<int|string, MakingProcedure> */
    public function procedures(): array
    {
        return $this->procedures;
    }

    /**
     * How such a cable's end is made in a connector: as was chosen for it, else as the connector names it, or by what
     * is followed there instead; where it names nothing, by what stands in for such terminals.
     *
     * @param  string  $prepares  the cable ({@see CableType::prepares()})
     * @param  string  $chosen  procedure of this one end; "" as the connector has it
     */
    public function procedureFor(ConnectorType $connector, string $prepares, string $chosen = ''): ?MakingProcedure
    {
        $own = $this->procedures[$chosen] ??
            ($this->procedures[$this->former->procedure($chosen, $connector->id)] ?? null);
        if ($own !== null) {
            return $own;
        }
        $named = $connector->cable->procedures[$prepares] ?? '';
        foreach ($named === '' ? [] : $this->procedures as $procedure) {
            if ($procedure->isInsteadOf($named, $connector->id)) {
                return $procedure;
            }
        }

        return $this->procedures[$named] ?? $this->standIn($connector);
    }

    /** Made for terminals that are joined so: its figures stand in for those that nobody has given. */
    public function standIn(ConnectorType $connector): ?MakingProcedure
    {
        return $this->standingIn($connector)?->asStandIn();
    }

    /** @return list<string> what a procedure lacks of the steps that secure somebody's life in a mains connector */
    public function unsecured(ConnectorType $connector, MakingProcedure $procedure): array
    {
        return $connector->domain === HazardDomain::Mains
            ? $this->standingIn($connector)?->missingIn($procedure) ?? []
            : [];
    }

    /** @return list<MakingStep> looks at a mains connector that secure somebody's life, whatever else is done */
    public function securing(ConnectorType $connector): array
    {
        $standIn = $connector->domain === HazardDomain::Mains ? $this->standingIn($connector) : null;

        return array_values(array_filter(
            $standIn->steps ?? [],
            static fn (MakingStep $step): bool => $step->locked && $step->verb === Verb::LookOver,
        ));
    }

    private function standingIn(ConnectorType $connector): ?MakingProcedure
    {
        foreach ($this->procedures as $procedure) {
            if ($procedure->standsInFor($connector)) {
                return $procedure;
            }
        }

        return null;
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

    public function procedure(int|string $id): ?MakingProcedure
    {
        return $this->procedures[$id] ?? null;
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
            array_replace($this->procedures, $other->procedures),
            $this->former->replacing($other->former),
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
            $this->procedures + $other->procedures,
            $this->former->plus($other->former),
        );
    }

    /** As it was released: where that was before there was any procedure, nothing is reckoned that was not then. */
    public function asReleased(): self
    {
        return $this->procedures === []
            ? $this->naming($this->connectors, $this->procedures, $this->former->alone())
            : $this;
    }

    /** @param  array<int|string, array<int|string, true>>  $chosen  recipe → connectors of legs that chose it */
    public function choosing(array $chosen): self
    {
        return $this->naming($this->connectors, $this->procedures, $this->former->choosing($chosen));
    }

    /**
     * @param  array<int|string, ConnectorType>  $connectors
     * @param  array<int|string, MakingProcedure>  $procedures
     */
    public function naming(array $connectors, array $procedures, FormerMaking $former): self
    {
        return new self(
            $this->cables,
            $connectors,
            $this->signals,
            $this->plans,
            $this->parts,
            $procedures,
            $former,
        );
    }
}
