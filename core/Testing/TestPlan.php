<?php

declare(strict_types=1);

namespace Sartal\Core\Testing;

use Sartal\Core\Installation\Method;
use Sartal\Core\Installation\TestStage;

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
            if ((! $binding || $test->binding) && ! self::isAnswered($test->method, $expectation, $test->licensed ? self::measured($reading) : $reading)) {
                $missing[] = $test->method;
            }
        }

        return $missing;
    }

    /** Fails as soon as anything reads wrong; passes when all that is binding was read. */
    public function verdict(Expectation $expectation, Reading $reading): Verdict
    {
        return match (true) {
            $expectation->wrongLines($reading) !== [], $expectation->wrongPairs($reading) !== [], $expectation->wrongSamples($reading) !== [], LinkLimits::over($expectation, $reading) !== [] => Verdict::Fails,
            $reading->isEmpty(), $this->missing($expectation, $reading, true) !== [] => Verdict::Incomplete,
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
        return new Reading(array_diff_key($reading->lights, array_flip($reading->declared)), $reading->splits, array_filter($reading->samples, static fn (Sample $sample): bool => ! $sample->declared));
    }

    private static function isAnswered(Method $method, Expectation $expectation, Reading $reading): bool
    {
        return match ($method) {
            // On protective earth alone its resistance is binding; elsewhere a few readings say enough.
            Method::Ohms => $expectation->setup->makeup->mains
                ? array_filter($expectation->senses()->questions(Method::Ohms), static fn (Question $question): bool => in_array($expectation->senses()->nodes($question)[0], $expectation->setup->makeup->earths, true) && ! isset($reading->samples[$question->key()])) === []
                : $reading->has($method),
            Method::Noise, Method::Capacitance, Method::Wiggle, Method::Certifier, Method::EyesA, Method::EyesB => $reading->has($method),
            default => $expectation->unasked($method, $reading) === 0,
        };
    }
}
