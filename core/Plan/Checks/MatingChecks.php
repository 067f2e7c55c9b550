<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\PortRef;
use Sartal\Core\Plan\Runs\RunPlans;

/** What is plugged into what: do the halves mate, and does every contact meet its own function? Mating by mating. */
final class MatingChecks
{
    /**
     * @param  list<Mating>  $matings
     * @return array<int, ?string> by mating: label of what has its other half already
     */
    public static function taken(array $matings, Installation $installation): array
    {
        $by = $taken = [];
        foreach ($matings as $key => $mating) {
            $by[$key] = $taken[$mating->with] ?? null;
            $fitting = $installation->fitting($mating->fitting);
            if ($fitting !== null && self::otherHalf($mating->with, $installation) !== null) {
                $taken[$mating->with] = $fitting->label;
            }
        }

        return $by;
    }

    /**
     * @param  RunPlans  $runs  of the assemblies that both halves are of
     * @param  ?string  $taken  label of what has the other half already
     * @return list<Finding> about the mating's fitting
     */
    public static function of(Mating $mating, RunPlans $runs, ?string $taken, Installation $installation): array
    {
        $findings = [];
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

            return $findings;
        }
        [$type, $label, $plan] = $other;
        if ($taken !== null) {
            $findings[] = Finding::stop(
                'mating.taken',
                $subject,
                sprintf('%s is to mate with %s, which %s already has.', $fitting->label, $label, $taken),
                'Choose another port.',
            );
        }
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

            return $findings;
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
        $theirs = $plan === null ? self::functions($runs, $mating->with) : self::planned($plan, $installation);
        foreach (self::functions($runs, $mating->fitting) as $address => $function) {
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

    /** @return array<array-key, string> address → function, of what lands on a fitting */
    private static function functions(RunPlans $runs, string $on): array
    {
        $functions = [];
        foreach ($runs as $run) {
            foreach ($run->joints() as $joint) {
                if ($joint->function !== '' && Node::fitting($joint->to) === $on) {
                    $functions[$joint->address()] = $joint->function;
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
