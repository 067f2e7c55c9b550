<?php

declare(strict_types=1);

namespace Sartal\Core\Planning;

use Sartal\Core\Diagnosing\CauseWords;
use Sartal\Core\Diagnosing\Diagnosis;
use Sartal\Core\Diagnosing\Diagnostician;
use Sartal\Core\Diagnosing\FaultPlaces;
use Sartal\Core\Installation\Installation;
use Sartal\Core\Testing\Expectation;
use Sartal\Core\Testing\Reading;
use Sartal\Core\Testing\SetupBuilder;
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
