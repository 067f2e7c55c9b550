<?php

declare(strict_types=1);

namespace Sartal\Core\Diagnosing;

use Sartal\Core\Testing\TestSetup;
use Sartal\Core\Wiring\Wiring;

/**
 * What chosen checks cannot see: every credible single fault, and the double
 * ones that hide each other, is made in the wiring and looked at.
 */
final readonly class Coverage
{
    /**
     * @param  list<Check>  $checks  chosen
     * @param  list<Unseen>  $unseen
     */
    private function __construct(public array $checks, public int $faults, public array $unseen)
    {
    }

    /**
     * @param  array<string, string>  $colours  joint id → colour of its core
     * @param  list<Check>  $checks
     */
    public static function of(Wiring $good, TestSetup $setup, FaultPlaces $places, array $colours, array $checks): self
    {
        $sight = new Sight($good, $setup, $colours);
        $patch = Patch::around(array_map(strval(...), array_keys($setup->from + $setup->to)), $good, $places->order);
        /** @var array<string, array{FaultKind, ?Check, non-empty-list<Fault>}> $passed */
        $passed = [];
        $count = 0;
        foreach ([new Opens, new Swaps, new Shorts, new PairFaults($places->groups), new MirroredSwaps, new Leaks($places->groups)] as $source) {
            foreach ($source->in($patch) as $fault) {
                $count++;
                foreach ($checks as $check) {
                    if ($sight->shows($check, $fault)) {
                        continue 2;
                    }
                }
                $added = self::added($sight, $fault, $checks);
                $key = $fault->kind->value.' '.($added->value ?? '');
                $passed[$key] = [$fault->kind, $added, [...$passed[$key][2] ?? [], $fault]];
            }
        }
        $unseen = array_map(static fn (array $group): Unseen => new Unseen($group[0], $group[2], $group[1]), array_values($passed));

        return new self($checks, $count, $unseen);
    }

    /** How many of the faults were shown. */
    public function seen(): int
    {
        return $this->faults - array_sum(array_map(static fn (Unseen $unseen): int => count($unseen->faults), $this->unseen));
    }

    /** @param  list<Check>  $checks */
    private static function added(Sight $sight, Fault $fault, array $checks): ?Check
    {
        $others = array_filter(Check::cases(), static fn (Check $check): bool => ! in_array($check, $checks, true));
        usort($others, static fn (Check $a, Check $b): int => $a->minutes() <=> $b->minutes());
        foreach ($others as $check) {
            if ($sight->shows($check, $fault)) {
                return $check;
            }
        }

        return null;
    }
}
