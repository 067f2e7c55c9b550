<?php

declare(strict_types=1);

namespace App\Testing;

use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\TestPlan;

/** What tests of one assembly are read against: all of it follows from decisions. */
final readonly class TestKnown
{
    /** @param  array<string, TestPlan>  $plans  by stage */
    private function __construct(public Expectation $expectation, private array $plans)
    {
    }

    public static function of(UnderTest $test): self
    {
        $plans = [];
        foreach (TestStage::cases() as $stage) {
            $plans[$stage->value] = $test->plan($stage);
        }

        return new self($test->expectation(), $plans);
    }

    public function plan(TestStage $stage): TestPlan
    {
        return $this->plans[$stage->value];
    }
}
