<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\WiringBuilder;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Plan\Runs\RunPlans;
use Sartal\Core\Proof\Diagnosing\CauseWords;
use Sartal\Core\Proof\Diagnosing\Coverage;
use Sartal\Core\Proof\Diagnosing\Diagnosis;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Diagnosing\FaultPlaces;
use Sartal\Core\Proof\Diagnosing\FirstToOpen;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\SetupBuilder;
use Sartal\Core\Proof\Testing\SwitchState;
use Sartal\Core\Proof\Testing\SwitchStates;
use Sartal\Core\Proof\Testing\TestPlan;
use Sartal\Core\Proof\Testing\TestPlanner;

/** What an assembly should read, and what a wrong reading of it means. */
final readonly class AssemblyPlanner
{
    public function __construct(private Installation $installation, private RunPlans $runs)
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
            static fn (SwitchState $state): array => [
                $state,
                $state->id === '' ? $rest : Expectation::from($rest->wiring->edited($state->edit), $rest->setup),
            ],
            SwitchStates::in($rest->wiring, $this->installation),
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

        return Expectation::from(
            $wiring,
            SetupBuilder::build($assembly, $joints, $this->installation),
            SwitchStates::in($wiring, $this->installation),
        );
    }

    public function diagnose(Assembly $assembly, Expectation $expectation, Reading $reading): Diagnosis
    {
        return Diagnostician::for($this->places($assembly), $expectation, $reading);
    }

    /**
     * What these methods would let pass.
     *
     * @param  list<Method>  $methods
     */
    public function coverage(Assembly $assembly, array $methods): Coverage
    {
        return Coverage::weigh($this->expectation($assembly), $this->places($assembly), $methods);
    }

    public function places(Assembly $assembly): FaultPlaces
    {
        return FaultPlaces::in($assembly, $this->joints($assembly), $this->installation);
    }

    /** @param  list<Event>  $events  of the assembly's runs */
    public function firstToOpen(Assembly $assembly, array $events): FirstToOpen
    {
        return new FirstToOpen($this->joints($assembly), $events);
    }

    public function testPlan(Assembly $assembly, Expectation $expectation, TestStage $stage): TestPlan
    {
        return (new TestPlanner($this->installation))->plan($assembly, $expectation, $stage);
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
