<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\TestPlan;

/**
 * What somebody read of a composite, with what was read of its other part before: signal is anybody's to test, mains a
 * licensed person's, and the cable is tested when both are.
 */
final readonly class Together
{
    /** @param  array<string, string>  $rests  domain → id of the test whose part is in it besides */
    private function __construct(public Reading $reading, public array $rests)
    {
    }

    /** @param  Trials  $trials  tests that still speak of the assembly as it is */
    public static function of(Reading $reading, TestPlan $plan, Expectation $expectation, Trials $trials): self
    {
        $domains = $plan->domains();
        $whole = $reading;
        $rests = [];
        foreach (count($domains) > 1 ? $domains : [] as $domain) {
            if (! self::isNothing($plan->share($domain, $expectation, $reading))) {
                continue;
            }
            foreach (array_reverse($trials->at($plan->stage)) as $test) {
                $part = self::part($test, $domain, $plan, $expectation);
                if ($part !== null) {
                    $whole = self::both($whole, $part);
                    $rests[$domain->value] = $test->id;

                    break;
                }
            }
        }

        return new self($whole, $rests);
    }

    /** What a test read itself of a domain; null where it is nothing, or of another plan. */
    private static function part(
        Event $test,
        HazardDomain $domain,
        TestPlan $plan,
        Expectation $expectation,
    ): ?Reading {
        $read = $test->test()?->reading;
        $isOfToday = $test->fingerprint === '' || $expectation->fingerprint()->stands($test->fingerprint);
        $part = $read === null || ! $isOfToday ? null : $plan->share($domain, $expectation, $read);

        return $part === null || self::isNothing($part) ? null : $part;
    }

    private static function isNothing(Reading $reading): bool
    {
        return $reading->lights === [] && $reading->samples === [] && $reading->splits === null;
    }

    private static function both(Reading $one, Reading $other): Reading
    {
        return new Reading(
            $one->lights + $other->lights,
            $one->splits ?? $other->splits,
            [...array_values($one->samples), ...array_values($other->samples)],
            [...$one->declared, ...$other->declared],
        );
    }
}
