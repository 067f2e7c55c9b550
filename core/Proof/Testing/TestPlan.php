<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\TestStage;

/** What an assembly is put to at one stage, in the order in which it is done. */
final readonly class TestPlan
{
    /** @param  list<PlannedTest>  $tests */
    public function __construct(public TestStage $stage, public array $tests)
    {
    }

    /** @return list<Method> that the plan has and a reading has not answered */
    public function missing(Expectation $expectation, Reading $reading, bool $binding = false): array
    {
        $missing = [];
        foreach ($this->tests as $test) {
            if (
                (! $binding || $test->binding) &&
                ! self::isAnswered($test->method, $expectation, $test->licensed ? self::measured($reading) : $reading)
            ) {
                $missing[] = $test->method;
            }
        }

        return $missing;
    }

    /** Fails as soon as anything reads wrong; passes when all that is binding was read. */
    public function verdict(Expectation $expectation, Reading $reading): Verdict
    {
        return match (true) {
            $expectation->wrongLines($reading) !== [],
            $expectation->wrongPairs($reading) !== [],
            $expectation->wrongSamples($reading) !== [],
            LinkLimits::over($expectation, $reading) !== [] => Verdict::Fails,
            $reading->isEmpty(),
            $this->missing($expectation, $reading, true) !== [],
            $this->isHardlyBegun($expectation, $reading) => Verdict::Incomplete,
            default => Verdict::Passes,
        };
    }

    /** Whether it may only be done by somebody licensed for mains. */
    public function isLicensed(): bool
    {
        return array_filter($this->tests, static fn (PlannedTest $test): bool => $test->licensed) !== [];
    }

    /** What mains needs is measured, never declared. */
    private static function measured(Reading $reading): Reading
    {
        return new Reading(
            array_diff_key($reading->lights, array_flip($reading->declared)),
            $reading->splits,
            array_filter($reading->samples, static fn (Sample $sample): bool => ! $sample->declared),
        );
    }

    /**
     * Where nothing is binding, at least one of what is planned is done whole: one end that was looked at, not one
     * contact of it.
     */
    private function isHardlyBegun(Expectation $expectation, Reading $reading): bool
    {
        return array_filter($this->tests, static fn (PlannedTest $test): bool => $test->binding) === [] &&
            count($this->missing($expectation, $reading)) === count($this->tests);
    }

    /** A method is answered when all of it that counts is. */
    private static function isAnswered(Method $method, Expectation $expectation, Reading $reading): bool
    {
        if ($method === Method::Map || $method === Method::Shells || $method === Method::Pairs) {
            return $expectation->unasked($method, $reading) === 0;
        }
        $senses = $expectation->senses();
        foreach ($senses->questions($method) as $question) {
            if (! isset($reading->samples[$question->key()]) && $senses->counts($question)) {
                return false;
            }
        }

        return true;
    }
}
