<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Methods;

/**
 * What chosen methods cannot see: every credible single fault, and the double
 * ones that hide each other, is made in the wiring and looked at.
 */
final readonly class Coverage
{
    /**
     * @param  list<Method>  $methods  chosen
     * @param  list<Unseen>  $unseen
     */
    private function __construct(public array $methods, public int $faults, public array $unseen)
    {
    }

    /** @param  list<Method>  $methods */
    public static function weigh(Expectation $expectation, FaultPlaces $places, array $methods): self
    {
        $sight = new Sight($expectation);
        $patch = Patch::around(
            array_map(strval(...), array_keys($expectation->setup->from + $expectation->setup->to)),
            $expectation->wiring,
            $places->order,
        );
        /** @var array<int|string, array{FaultKind, ?Method, non-empty-list<Fault>}> $passed */
        $passed = [];
        $count = 0;
        foreach (FaultSources::credible($places) as $source) {
            foreach ($source->in($patch) as $fault) {
                $count++;
                foreach ($methods as $method) {
                    if ($sight->shows($method, $fault)) {
                        continue 2;
                    }
                }
                $added = self::added($sight, $fault, $methods);
                $key = $fault->kind->value.' '.($added->value ?? '');
                $passed[$key] = [$fault->kind, $added, [...$passed[$key][2] ?? [], $fault]];
            }
        }
        $unseen = array_map(
            static fn (array $group): Unseen => new Unseen($group[0], $group[2], $group[1]),
            array_values($passed),
        );

        return new self($methods, $count, $unseen);
    }

    /** How many of the faults were shown. */
    public function seen(): int
    {
        return $this->faults -
            array_sum(array_map(static fn (Unseen $unseen): int => count($unseen->faults), $this->unseen));
    }

    /** @param  list<Method>  $methods */
    private static function added(Sight $sight, Fault $fault, array $methods): ?Method
    {
        $others = array_filter(
            Method::cases(),
            static fn (Method $method): bool => ! in_array($method, $methods, true),
        );
        usort(
            $others,
            static fn (Method $a, Method $b): int => Methods::card($a)->minutes <=> Methods::card($b)->minutes,
        );
        foreach ($others as $method) {
            if ($sight->shows($method, $fault)) {
                return $method;
            }
        }

        return null;
    }
}
