<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Given\Catalogue\HazardDomain;
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

    /** Whether anything of this was read of mains. */
    public function needsLicence(Expectation $expectation, Reading $reading): bool
    {
        $mains = $this->isLicensed() ? $this->share(HazardDomain::Mains, $expectation, $reading) : null;

        return $mains !== null && ! $mains->isEmpty();
    }

    /** @return list<HazardDomain> that something is planned for; both, of a composite */
    public function domains(): array
    {
        $domains = array_map(
            static fn (PlannedTest $test): string => $test->domain()->value,
            $this->tests,
        );

        return array_values(
            array_filter(
                HazardDomain::cases(),
                static fn (HazardDomain $domain): bool => in_array($domain->value, $domains, true),
            ),
        );
    }

    public function in(HazardDomain $domain): self
    {
        return new self(
            $this->stage,
            array_values(
                array_filter($this->tests, static fn (PlannedTest $test): bool => $test->domain() === $domain),
            ),
        );
    }

    /** What of a reading is about this domain: what a licensed person reads of a composite, or what anybody does. */
    public function share(HazardDomain $domain, Expectation $expectation, Reading $reading): Reading
    {
        $isMains = $domain === HazardDomain::Mains;
        $licensed = [];
        foreach ($this->tests as $test) {
            if ($test->licensed) {
                $licensed[$test->method->value] = true;
            }
        }
        $live = $licensed === [] ? [] : $expectation->setup->makeup->live;

        return new Reading(
            $isMains ? array_intersect_key($reading->lights, $live) : array_diff_key($reading->lights, $live),
            $isMains ? null : $reading->splits,
            array_filter(
                $reading->samples,
                static fn (Sample $sample): bool => isset($licensed[$sample->question->method->value]) === $isMains,
            ),
            $reading->declared,
        );
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
            if (
                ! isset($reading->samples[$question->key()]) &&
                $senses->counts($question) &&
                ! self::isByLamp($question, $expectation, $reading)
            ) {
                return false;
            }
        }

        return true;
    }

    /** Polarity was read with a lamp before; earth never was. */
    private static function isByLamp(Question $question, Expectation $expectation, Reading $reading): bool
    {
        $node = $expectation->senses()->nodes($question)[0] ?? '';
        $makeup = $expectation->setup->makeup;

        return $question->method === Method::Ohms &&
            isset($makeup->live[$node], $reading->lights[$node]) &&
            ! in_array($node, $makeup->earths, true);
    }
}
