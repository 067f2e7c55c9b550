<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Runs\RunPlan;

/**
 * Ends that use the same contacts for other functions: a crossover, as when
 * one end of four pairs follows one colour scheme and the other the other.
 */
final class CrossoverChecks
{
    /** @return list<Finding> */
    public static function judge(Run $run, RunPlan $plan, Installation $installation): array
    {
        $ends = array_map(static fn (Side $side): array => self::functions($plan, $side), Side::cases());
        $findings = [];
        foreach ($ends[0] as $circuit => $here) {
            $there = $ends[1][$circuit] ?? [];
            $crossed = array_diff_assoc($here, $there);
            if (
                $there === [] ||
                $crossed === [] ||
                array_diff($here, $there) !== [] ||
                array_diff($there, $here) !== []
            ) {
                continue;
            }
            $words = [];
            foreach ($crossed as $function => $address) {
                $words[] = sprintf('%s is on %s and on %s', $function, $address, $there[$function] ?? '?');
            }
            $findings[] = Finding::check(
                'run.crossed',
                Subject::run($run->id),
                sprintf(
                    '%s is a crossover: %s.',
                    $installation->circuit($circuit)->name ?? $circuit,
                    implode(', ', $words),
                ),
                'Leave it where a crossover is meant; else use one plan at both ends.',
            );
        }

        return array_slice($findings, 0, 1);
    }

    /**
     * Only circuits that keep to one contact for each function.
     *
     * @return array<int|string, array<int|string, string>> circuit → function → address
     */
    private static function functions(RunPlan $plan, Side $side): array
    {
        $functions = [];
        foreach ($plan->end($side)->joints as $joint) {
            if ($joint->function !== '' && $joint->byHand === '') {
                $functions[$joint->circuit][$joint->function] = $joint->address();
            }
        }

        return $functions;
    }
}
