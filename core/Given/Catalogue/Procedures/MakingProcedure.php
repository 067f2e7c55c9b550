<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\TerminalKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Given\Schools\School;

/** How an end is made, as data: steps in order, and what the connector demands of the end when it is done. */
final readonly class MakingProcedure
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  list<MakingStep>  $steps
     * @param  list<EndDemand>  $demands
     * @param  string  $source  where its figures are from
     * @param  list<LegMaking>  $legs  how each leg goes on where this stops, in order; none of an end in one piece
     * @param  list<string>  $insteadOf  procedures in whose place it is followed, in the connectors that it names
     * @param  list<string>  $connectors  in which it is followed instead
     * @param  array<int|string, ?Onto>  $closes  what is part of the connector and is closed over what is joined → over
     *     which; null: over all of it
     * @param  array<int|string, int>  $crimps  part → how many crimps its maker wants of it
     * @param  Centre  $centre  of coax: what takes its centre
     * @param  bool  $throughLugs  wires go through holes of open lugs, and none is filled before
     * @param  list<TerminalReach>  $reaches  how far terminals are, the first that is meant; a hood says it itself
     * @param  list<Joining>  $standsIn  for connectors that name none, whose terminals are joined so
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $steps,
        public array $demands,
        public string $source,
        public array $legs = [],
        public array $insteadOf = [],
        public array $connectors = [],
        public array $closes = [],
        public array $crimps = [],
        public Centre $centre = Centre::None,
        public bool $throughLugs = false,
        public array $reaches = [],
        public array $standsIn = [],
    ) {
    }

    /** @param  list<MakingStep>  $steps */
    public function withSteps(array $steps): self
    {
        return $this->copy(['steps' => $steps]);
    }

    /** By which its wording and figures are told from those of another edition of the same name. */
    public function edition(): string
    {
        return substr(hash('xxh64', serialize($this)), 0, 6);
    }

    /** @param  list<string>  $connectors  in which it is followed instead of others */
    public function in(array $connectors): self
    {
        return $this->copy(['connectors' => $connectors]);
    }

    public function isInsteadOf(string $procedure, string $connector): bool
    {
        return in_array($procedure, $this->insteadOf, true) && in_array($connector, $this->connectors, true);
    }

    /** Mains is made by nothing that secures nobody's life. */
    public function standsInFor(ConnectorType $connector): bool
    {
        $joinings = array_map(
            static fn (TerminalKind $terminal): Joining => $terminal->joining,
            $connector->cable->terminals,
        );
        $isIn = array_filter($joinings, fn (Joining $joining): bool => in_array($joining, $this->standsIn, true));

        return $isIn !== [] && $this->secures() === ($connector->domain === HazardDomain::Mains);
    }

    private function secures(): bool
    {
        return array_filter($this->steps, static fn (MakingStep $step): bool => $step->locked) !== [];
    }

    /** For a connector that nobody has described: every figure is its maker's to give. */
    public function asStandIn(): self
    {
        return $this->copy([
            'id' => 'like-'.$this->id,
            'name' => 'In the manner of “'.$this->name.'”',
            'steps' => array_map(static fn (MakingStep $step): MakingStep => $step->asked(), $this->steps),
            'reaches' => array_map(static fn (TerminalReach $reach): TerminalReach => $reach->asked(), $this->reaches),
        ]);
    }

    /** @param  list<TerminalReach>  $reaches */
    public function reaching(array $reaches): self
    {
        return $this->copy(['reaches' => $reaches]);
    }

    /**
     * Another of its own name, with other figures.
     *
     * @param  list<MakingStep>  $steps
     * @param  list<TerminalReach>  $reaches
     */
    public function refigured(string $id, string $name, string $source, array $steps, array $reaches): self
    {
        return $this->copy([
            'id' => $id,
            'name' => $name,
            'source' => $source,
            'steps' => $steps,
            'reaches' => $reaches,
            'insteadOf' => [],
            'connectors' => [],
            'standsIn' => [],
        ]);
    }

    /** Followed where a connector names it, and instead of no other. */
    public function namedAlone(): self
    {
        return $this->insteadOf === [] && $this->connectors === []
            ? $this
            : $this->copy(['insteadOf' => [], 'connectors' => []]);
    }

    /**
     * How far a conductor's terminal is; null where it does not say.
     *
     * @param  string  $prepares  its cable
     * @param  string  $function  that it carries
     * @param  Onto  $joins  a screen, protective earth, or a core
     */
    public function reach(string $prepares, string $function, Onto $joins): ?TerminalReach
    {
        foreach ($this->reaches as $reach) {
            if ($reach->isOf($prepares, $function, $joins)) {
                return $reach;
            }
        }

        return null;
    }

    /**
     * @param  array<int|string, string>  $goes  key of a conductor → its terminal
     * @param  list<string>  $screens  keys of those that are a screen's
     * @return array<int|string, list<string>> what is closed → terminals under it
     */
    public function closing(array $goes, array $screens): array
    {
        $isScreen = array_flip($screens);
        $over = [];
        foreach ($this->closes as $part => $which) {
            $under = match ($which) {
                Onto::Screen => array_intersect_key($goes, $isScreen),
                Onto::Core => array_diff_key($goes, $isScreen),
                default => $goes,
            };
            $over[$part] = array_values(array_unique($under));
        }

        return $over;
    }

    /** Whether something that belongs to the end is tied round it. */
    public function ties(string $part): bool
    {
        return $this->does(Verb::Tie, $part);
    }

    /** Whether a part is crimped. */
    public function crimping(string $part): bool
    {
        return $this->does(Verb::Crimp, $part);
    }

    private function does(Verb $verb, string $part): bool
    {
        foreach ($this->steps as $step) {
            if ($step->verb === $verb && $step->part === $part) {
                return true;
            }
        }

        return false;
    }

    /** It opens a cable into its legs, and knows how long they are. */
    public function opensLegs(): bool
    {
        foreach ($this->legs === [] ? [] : $this->steps as $step) {
            if ($step->measure?->from === MeasuredFrom::Legs) {
                return true;
            }
        }

        return false;
    }

    /** What stays of a leg beyond what is measured on the equipment; null where it does not say how that is cut. */
    public function beyondMeasured(): ?Length
    {
        foreach ($this->steps as $step) {
            if ($step->measure?->from === MeasuredFrom::Equipment) {
                return $step->measure->length;
            }
        }

        return null;
    }

    /** @return list<class-string<School>> questions of the house whose answers it asks for */
    public function asks(): array
    {
        $asks = [];
        foreach ([...$this->steps, ...$this->demands] as $each) {
            foreach ($each->under->answers as $answer) {
                $asks[$answer::class] = $answer::class;
            }
        }

        return array_values($asks);
    }

    /** Whether something of another that secures somebody's life stands in it too: then it is a copy of that. */
    public function securesAs(self $other): bool
    {
        foreach ($other->steps as $step) {
            if ($step->locked && in_array($step, $this->steps, false)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Steps that secure somebody's life, and that a copy of a procedure has to keep as they are and in their order.
     *
     * @return list<string> what a copy lacks of them, in words
     */
    public function missingIn(self $copy): array
    {
        $missing = [];
        $from = 0;
        foreach (array_filter($this->steps, static fn (MakingStep $step): bool => $step->locked) as $step) {
            $at = null;
            foreach (array_slice($copy->steps, $from, null, true) as $i => $own) {
                if ($own == $step) {
                    $at = $i;

                    break;
                }
            }
            if ($at === null) {
                $missing[] = sprintf(
                    'Step %s of %s secures somebody’s life: keep it as it is, and in its place.',
                    $step->id,
                    $this->name,
                );
            } else {
                $from = $at + 1;
            }
        }

        return $missing;
    }
}
