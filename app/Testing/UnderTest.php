<?php

declare(strict_types=1);

namespace App\Testing;

use App\Models\StoredInstallation;
use App\Planning\Loaded;
use App\Planning\Near;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Installation\InstrumentKind;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Plan\Checks\ResultChecks;
use Sartal\Core\Plan\Planning\AssemblyPlanner;
use Sartal\Core\Proof\Diagnosing\CauseWords;
use Sartal\Core\Proof\Diagnosing\Diagnosis;
use Sartal\Core\Proof\Diagnosing\FirstToOpen;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\TestPlan;

/** One assembly on the tester's table: what it should read, what it was put to, and what happened to it before. */
final class UnderTest
{
    private ?Expectation $expectation = null;

    private ?Record $record = null;

    private function __construct(
        public readonly Loaded $loaded,
        public readonly Assembly $assembly,
        public readonly AssemblyPlanner $planner,
    ) {
    }

    public static function of(Loaded $loaded, string $run): self
    {
        abort_unless(
            isset($loaded->installation->runs()[$run]),
            404,
            'There is no such run here. It may have been removed.',
        );
        $plan = $loaded->plan();

        return new self(
            $loaded,
            $plan->assemblies[$plan->assemblyOf[$run]],
            new AssemblyPlanner($loaded->installation, $plan->runs),
        );
    }

    /** As the shop works from it: what it has to do with is read, and no more. */
    public static function near(Near $near, StoredInstallation $stored, string $run): self
    {
        return self::of($near->atWork($stored, [$run]), $run);
    }

    public function expectation(): Expectation
    {
        return $this->expectation ??= $this->planner->expectation($this->assembly);
    }

    public function plan(TestStage $stage): TestPlan
    {
        return $this->planner->testPlan($this->assembly, $this->expectation(), $stage);
    }

    public function diagnosis(Reading $reading): Diagnosis
    {
        return $this->planner->diagnose($this->assembly, $this->expectation(), $reading);
    }

    public function words(): CauseWords
    {
        return $this->planner->words($this->assembly);
    }

    public function firstToOpen(): FirstToOpen
    {
        return $this->planner->firstToOpen($this->assembly, $this->events());
    }

    /** @return list<Event> of all of its runs, as they were received */
    public function events(): array
    {
        return $this->record()->together($this->assembly->runs);
    }

    /** With every single step of its runs. */
    public function record(): Record
    {
        return $this->record ??= $this->loaded->record->closely($this->assembly->runs);
    }

    public function trials(): Trials
    {
        return Trials::among($this->events());
    }

    public function checks(): ResultChecks
    {
        return ResultChecks::in($this->loaded->installation, $this->loaded->record);
    }

    /** @return list<Method> that the crew's instruments can do, and what eyes and hands can */
    public function atHand(): array
    {
        $methods = [Method::Map, Method::Shells, Method::Switches, Method::Wiggle, Method::EyesA, Method::EyesB];
        foreach ($this->loaded->installation->instruments() as $instrument) {
            array_push($methods, ...$instrument->kind->methods());
        }
        if ($this->loaded->installation->instruments() === []) {
            array_push(
                $methods,
                ...InstrumentKind::Meter->methods(),
                ...InstrumentKind::WireMap->methods(),
                ...InstrumentKind::Ears->methods(),
            );
        }

        return array_values(array_unique($methods, SORT_REGULAR));
    }
}
