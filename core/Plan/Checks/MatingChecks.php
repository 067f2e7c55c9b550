<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\PortRef;
use Sartal\Core\Plan\Runs\RunPlan;

/** What is plugged into what: do the halves mate, and does every contact meet its own function? */
final class MatingChecks
{
    /**
     * @param  array<int|string, RunPlan>  $runs
     * @return list<Finding>
     */
    public static function judge(Installation $installation, array $runs): array
    {
        if ($installation->matings() === []) {
            return [];
        }
        $findings = [];
        $functions = self::functions($runs);
        $taken = [];
        foreach ($installation->matings() as $mating) {
            $fitting = $installation->fitting($mating->fitting);
            $subject = Subject::fitting($mating->fitting);
            $other = self::otherHalf($mating->with, $installation);
            if ($fitting === null || $other === null) {
                $findings[] = Finding::stop(
                    'mating.unknown',
                    $subject,
                    sprintf('"%s" is to mate with "%s", and one of them is unknown.', $mating->fitting, $mating->with),
                    'Choose fittings and ports that exist.',
                );

                continue;
            }
            [$type, $label, $plan] = $other;
            if (isset($taken[$mating->with])) {
                $findings[] = Finding::stop(
                    'mating.taken',
                    $subject,
                    sprintf(
                        '%s is to mate with %s, which %s already has.',
                        $fitting->label,
                        $label,
                        $taken[$mating->with],
                    ),
                    'Choose another port.',
                );
            }
            $taken[$mating->with] = $fitting->label;
            $own = $installation->catalogue->connector($fitting->connector);
            $facing = $installation->catalogue->connector($type);
            $mode = $own === null || $facing === null ? null : $own->matesWith($facing) ?? $facing->matesWith($own);
            if ($own === null || $facing === null || $mode === null) {
                $findings[] = Finding::stop(
                    'mating.does-not-fit',
                    $subject,
                    sprintf(
                        '%s (%s) does not mate with %s (%s).',
                        $fitting->label,
                        $own->name ?? $fitting->connector,
                        $label,
                        $facing->name ?? $type,
                    ),
                    self::counterparts($facing, $installation),
                );

                continue;
            }
            if ($own->impedance !== null && $facing->impedance !== null && $own->impedance !== $facing->impedance) {
                $findings[] = Finding::check(
                    'mating.impedance',
                    $subject,
                    sprintf(
                        '%s is made for %d Ω and mates with %s of %d Ω.',
                        $fitting->label,
                        $own->impedance,
                        $label,
                        $facing->impedance,
                    ),
                    'They go together and reflect: use one impedance.',
                );
            }
            $theirs = $plan === null ? $functions[$mating->with] ?? [] : self::planned($plan, $installation);
            foreach ($functions[$mating->fitting] ?? [] as $address => $function) {
                $met = $theirs[$mode->opposite((string) $address)] ?? null;
                if ($met !== null && $met !== $function) {
                    $findings[] = Finding::stop(
                        'mating.function',
                        $subject,
                        sprintf(
                            'Contact %s of %s is %s and meets %s on %s.',
                            $address,
                            $fitting->label,
                            $function,
                            $met,
                            $label,
                        ),
                        'Use the same contact plan on both halves.',
                    );
                }
            }
        }

        return $findings;
    }

    private static function counterparts(?ConnectorType $facing, Installation $installation): string
    {
        $names = [];
        foreach ($facing->mates ?? [] as $mode) {
            $other = $installation->catalogue->connector($mode->with);
            if ($other !== null && ! $other->retired && $other->mount === Mount::Cable) {
                $names[] = $other->name;
            }
        }

        return $names === []
            ? 'Choose the counterpart of that connector.'
            : 'Choose '.implode(', or ', array_slice($names, 0, 3)).'.';
    }

    /** @return ?array{string, string, ?string} connector type, label, contact plan */
    private static function otherHalf(string $with, Installation $installation): ?array
    {
        $fitting = $installation->fitting($with);
        if ($fitting !== null) {
            return [$fitting->connector, $fitting->label, null];
        }
        $port = $installation->port($with);
        $device = PortRef::from($with)->device;

        return $port === null
            ? null
            : [$port->connector, $installation->theDevice($device)->name.' '.$port->name, $port->plan];
    }

    /**
     * @param  array<int|string, RunPlan>  $runs
     * @return array<int|string, array<array-key, string>> fitting → address → function
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
        foreach ($installation->plan($plan)->channels ?? [] as $contacts) {
            foreach ($contacts as $function => $address) {
                $functions[$address] = (string) $function;
            }
        }

        return $functions;
    }
}
