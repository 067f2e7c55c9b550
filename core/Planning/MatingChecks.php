<?php

declare(strict_types=1);

namespace Sartal\Core\Planning;

use Sartal\Core\Findings\Finding;
use Sartal\Core\Installation\Installation;
use Sartal\Core\Wiring\Node;

/** What is plugged into what: do the halves mate, and does every contact meet its own function? */
final class MatingChecks
{
    /**
     * @param  array<string, RunPlan>  $runs
     * @return list<Finding>
     */
    public static function of(Installation $installation, array $runs): array
    {
        if ($installation->matings === []) {
            return [];
        }
        $findings = [];
        $functions = self::functions($runs);
        $taken = [];
        foreach ($installation->matings as $mating) {
            $fitting = $installation->fittings[$mating->fitting] ?? null;
            $subject = 'fitting:'.$mating->fitting;
            $other = self::otherHalf($mating->with, $installation);
            if ($fitting === null || $other === null) {
                $findings[] = Finding::stop('mating.unknown', $subject, sprintf('"%s" is to mate with "%s", and one of them is unknown.', $mating->fitting, $mating->with), 'Choose fittings and ports that exist.');

                continue;
            }
            [$type, $label, $plan] = $other;
            if (isset($taken[$mating->with])) {
                $findings[] = Finding::stop('mating.taken', $subject, sprintf('%s is to mate with %s, which %s already has.', $fitting->label, $label, $taken[$mating->with]), 'Choose another port.');
            }
            $taken[$mating->with] = $fitting->label;
            $own = $installation->catalogue->connectors[$fitting->connector] ?? null;
            $facing = $installation->catalogue->connectors[$type] ?? null;
            $mode = $own === null || $facing === null ? null : $own->matesWith($facing) ?? $facing->matesWith($own);
            if ($own === null || $facing === null || $mode === null) {
                $findings[] = Finding::stop('mating.does-not-fit', $subject, sprintf('%s (%s) does not mate with %s (%s).', $fitting->label, $own->name ?? $fitting->connector, $label, $facing->name ?? $type), 'Choose the counterpart of that connector.');

                continue;
            }
            $theirs = $plan === null ? $functions[$mating->with] ?? [] : self::planned($plan, $installation);
            foreach ($functions[$mating->fitting] ?? [] as $address => $function) {
                $met = $theirs[$mode->opposite((string) $address)] ?? null;
                if ($met !== null && $met !== $function) {
                    $findings[] = Finding::stop('mating.function', $subject, sprintf('Contact %s of %s is %s and meets %s on %s.', $address, $fitting->label, $function, $met, $label), 'Use the same contact plan on both halves.');
                }
            }
        }

        return $findings;
    }

    /** @return ?array{string, string, ?string} connector type, label, contact plan */
    private static function otherHalf(string $with, Installation $installation): ?array
    {
        $fitting = $installation->fittings[$with] ?? null;
        if ($fitting !== null) {
            return [$fitting->connector, $fitting->label, null];
        }
        [$device, $id] = [...explode(':', $with, 2), ''];
        foreach ($installation->equipment[$device]->ports ?? [] as $port) {
            if ($port->id === $id) {
                return [$port->connector, $installation->equipment[$device]->name.' '.$port->name, $port->plan];
            }
        }

        return null;
    }

    /**
     * @param  array<string, RunPlan>  $runs
     * @return array<string, array<array-key, string>> fitting → address → function
     */
    private static function functions(array $runs): array
    {
        $functions = [];
        foreach ($runs as $run) {
            foreach ($run->joints() as $joint) {
                $fitting = Node::fitting($joint->to);
                if ($fitting !== null && $joint->function !== '') {
                    $functions[$fitting][$joint->address()] = $joint->function;
                }
            }
        }

        return $functions;
    }

    /** @return array<array-key, string> address → function */
    private static function planned(string $plan, Installation $installation): array
    {
        $functions = [];
        foreach ($installation->catalogue->plans[$plan]->channels ?? [] as $contacts) {
            foreach ($contacts as $function => $address) {
                $functions[$address] = $function;
            }
        }

        return $functions;
    }
}
