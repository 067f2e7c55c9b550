<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\Verb;

/** An end that was made by a procedure, with what of it has to wait for what. */
final class MadeEnd
{
    /** @var ?list<Defect> */
    private ?array $defects = null;

    /** @var ?array<int, list<string>> */
    private ?array $joints = null;

    private ?int $meets = null;

    /**
     * @param  array<int, list<int>>  $needs  place of a step → places of those that it comes after; what follows from
     *     others of them is left out
     */
    private function __construct(
        public readonly MakingProcedure $procedure,
        public readonly Made $made,
        public readonly array $needs,
    ) {
    }

    /** Two steps whose regions do not touch are free in order; all other order is a need. */
    public static function by(MakingProcedure $procedure, Made $made): self
    {
        $regions = array_map(static function (StepMade $step): array {
            $of = $step->regions();

            return [array_flip($of->reads), array_flip($of->writes)];
        }, $made->steps);
        $needs = $before = [];
        foreach ($regions as $i => [$reads, $writes]) {
            $needs[$i] = $before[$i] = [];
            for ($j = $i - 1; $j >= 0; $j--) {
                [$itsReads, $itsWrites] = $regions[$j];
                $touches = array_intersect_key($itsWrites, $reads) !== [] ||
                    array_intersect_key($itsWrites, $writes) !== [] ||
                    array_intersect_key($writes, $itsReads) !== [];
                if ($touches && ! isset($before[$i][$j])) {
                    $needs[$i][] = $j;
                    $before[$i] += [$j => true] + $before[$j];
                }
            }
        }

        return new self($procedure, $made, $needs);
    }

    /** @return array<int, list<string>> place of a step → terminals whose joints it makes */
    public function joints(): array
    {
        return $this->joints ??= array_filter(
            array_map(static fn (StepMade $step): array => $step->makesJoints(), $this->made->steps),
        );
    }

    /** The first step from which on something sits in the connector; as many as there are where none does. */
    public function meets(): int
    {
        return $this->meets ??= $this->firstMeeting();
    }

    private function firstMeeting(): int
    {
        $joints = $this->joints();
        foreach ($this->made->steps as $i => $step) {
            if ($step->step->verb->isJoining() || isset($joints[$i])) {
                return $i;
            }
        }

        return count($this->made->steps);
    }

    /**
     * The first that is hot or crimps: before it everything that cannot arrive later has to be on the cable. Where an
     * end is only opened, the first that is shrunk.
     */
    public function turns(): int
    {
        $meets = $this->meets();
        $isOpened = $this->procedure->legs !== [];
        foreach ($this->made->steps as $i => $step) {
            $isShrunk = $isOpened && $step->step->verb === Verb::Shrink;
            if ($i >= $meets || $isShrunk || $step->step->verb->isHotOrCrimped()) {
                return $i;
            }
        }

        return $meets;
    }

    /** @return ?StepMade by its name in the procedure */
    public function step(string $id): ?StepMade
    {
        foreach ($this->made->steps as $step) {
            if ($step->step->id === $id) {
                return $step;
            }
        }

        return null;
    }

    /** @return list<Defect> that its checks and its demands name, each once, as they are come upon */
    public function defects(): array
    {
        if ($this->defects !== null) {
            return $this->defects;
        }
        $sought = $since = [];
        foreach ($this->made->steps as $step) {
            if ($step->step->catches !== '') {
                $sought[$step->step->catches] ??= $step->step->check;
                $since[$step->step->catches] = max($since[$step->step->catches] ?? '', $step->step->since);
            }
        }
        $station = ($this->made->steps[0] ?? null)?->doing->station;
        foreach ($this->procedure->demands as $demand) {
            $isHere = $station !== null && $demand->under->holds($station->answers) &&
                Picked::by($demand->of, $this->made->result->end, $station) !== [];
            if ($isHere && $demand->defect !== '') {
                $sought[$demand->defect] ??= $demand->name;
            }
        }
        $this->defects = [];
        foreach ($sought as $name => $words) {
            $reopening = Reopening::of($this->made, $this->procedure, (string) $name);
            if ($reopening !== null) {
                $this->defects[] = new Defect((string) $name, $words, $reopening, $since[$name] ?? '');
            }
        }

        return $this->defects;
    }
}
