<?php

declare(strict_types=1);

namespace Sartal\Core\Planning;

use Sartal\Core\Diagnosing\CauseWords;
use Sartal\Core\Diagnosing\Check;
use Sartal\Core\Diagnosing\Coverage;
use Sartal\Core\Diagnosing\Diagnosis;
use Sartal\Core\Diagnosing\Diagnostician;
use Sartal\Core\Diagnosing\FaultPlaces;
use Sartal\Core\Diagnosing\FirstToOpen;
use Sartal\Core\Installation\Installation;
use Sartal\Core\Record\Event;
use Sartal\Core\Testing\Expectation;
use Sartal\Core\Testing\Reading;
use Sartal\Core\Testing\SetupBuilder;
use Sartal\Core\Testing\SwitchState;
use Sartal\Core\Testing\SwitchStates;
use Sartal\Core\Wiring\Assembly;
use Sartal\Core\Wiring\Joint;
use Sartal\Core\Wiring\WiringBuilder;

/** What an assembly should read, and what a wrong reading of it means. */
final readonly class AssemblyPlanner
{
    /** @param  array<string, RunPlan>  $runs */
    public function __construct(private Installation $installation, private array $runs)
    {
    }

    /**
     * What should be read in each state of the switches: at rest, then each operated alone.
     *
     * @return non-empty-list<array{SwitchState, Expectation}>
     */
    public function states(Assembly $assembly): array
    {
        $rest = $this->expectation($assembly);

        return array_map(
            static fn (SwitchState $state): array => [$state, $state->id === '' ? $rest : Expectation::of($rest->wiring->edited($state->edit), $rest->setup)],
            SwitchStates::of($rest->wiring, $this->installation),
        );
    }

    public function expectation(Assembly $assembly): Expectation
    {
        $joints = $this->joints($assembly);
        $lengths = [];
        foreach ($assembly->runs as $run) {
            if (isset($this->runs[$run])) {
                $lengths[$run] = $this->runs[$run]->cut->result;
            }
        }
        $wiring = (new WiringBuilder($this->installation))->build($assembly, $joints, $lengths);

        return Expectation::of($wiring, SetupBuilder::of($assembly, $joints, $this->installation));
    }

    public function diagnose(Assembly $assembly, Expectation $expectation, Reading $reading): Diagnosis
    {
        $places = FaultPlaces::of($assembly, $this->joints($assembly), $this->installation);

        return Diagnostician::for($places)->diagnose($expectation, $reading);
    }

    /**
     * What these checks would let pass.
     *
     * @param  list<Check>  $checks
     */
    public function coverage(Assembly $assembly, array $checks): Coverage
    {
        $expectation = $this->expectation($assembly);
        $joints = $this->joints($assembly);
        $colours = [];
        foreach ($joints as $joint) {
            $cable = $this->installation->catalogue->cables[$this->installation->runs[$joint->run]->cable];
            $slash = strrpos($joint->conductor, '/');
            // Pairs that look alike are told apart by what they lie in.
            $colours[$joint->id()] = ($slash === false ? '' : $cable->element(substr($joint->conductor, 0, $slash))->label ?? '').' '.($cable->element($joint->conductor)->colour ?? '');
        }

        return Coverage::of($expectation->wiring, $expectation->setup, FaultPlaces::of($assembly, $joints, $this->installation), $colours, $checks);
    }

    /** @param  list<Event>  $events  of the assembly's runs */
    public function firstToOpen(Assembly $assembly, array $events): FirstToOpen
    {
        return new FirstToOpen($this->joints($assembly), $events);
    }

    public function words(Assembly $assembly): CauseWords
    {
        return new CauseWords($this->installation, $this->joints($assembly));
    }

    /** @return list<Joint> */
    public function joints(Assembly $assembly): array
    {
        $joints = [];
        foreach ($assembly->runs as $run) {
            if (isset($this->runs[$run])) {
                array_push($joints, ...$this->runs[$run]->joints());
            }
        }

        return $joints;
    }
}
