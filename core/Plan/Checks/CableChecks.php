<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Compatibility\ImpedanceRule;
use Sartal\Core\Ends\Preparing\LegSleeving;
use Sartal\Core\Ends\Preparing\SleeveChoice;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/** A run's cable against the places that it is in and the signals that it carries. */
final class CableChecks
{
    /** @return list<Finding> */
    public static function judge(Run $run, CableType $cable, Installation $installation): array
    {
        return [
            ...self::fire($run, $cable, $installation),
            ...self::impedance($run, $cable, $installation),
            ...self::sleeve($run, $cable, $installation),
            ...self::legSleeves($run, $cable, $installation),
        ];
    }

    /** @return list<Finding> where no sleeve, or not the one that was chosen, goes round the cable */
    private static function sleeve(Run $run, CableType $cable, Installation $installation): array
    {
        if ($run->sleeve === null || SleeveChoice::over($run, $installation) !== null) {
            return [];
        }
        $chosen = $installation->catalogue->part($run->sleeve);

        return [Finding::check(
            'run.sleeve',
            Subject::run($run->id),
            sprintf(
                '%s of %s is to be sleeved, and %s round it.',
                $run->code,
                $cable->outerDiameter->canonical(),
                $chosen === null ? 'no sleeve of the catalogue goes' : $chosen->name.' does not go',
            ),
            'Choose a sleeve for that diameter, or leave it to be chosen by size.',
        )];
    }

    /** @return list<Finding> where a leg is to be sleeved by itself, and is not */
    private static function legSleeves(Run $run, CableType $cable, Installation $installation): array
    {
        $findings = [];
        foreach (Side::cases() as $side) {
            foreach ($run->end($side)->legs as $leg) {
                if ($leg->sleeve === null || LegSleeving::chosen($leg, $cable, $installation->catalogue) !== null) {
                    continue;
                }
                $chosen = $installation->catalogue->part($leg->sleeve);
                $findings[] = Finding::check(
                    'leg.sleeve',
                    Subject::run($run->id),
                    sprintf(
                        '%s end %s: leg %s is %s round and to be sleeved, and %s round it.',
                        $run->code,
                        $side->value,
                        $leg->label,
                        LegSleeving::girth($leg, $cable)->canonical(),
                        $chosen === null ? 'no sleeve of the catalogue goes' : $chosen->name.' does not go',
                    ),
                    'Choose a sleeve for that leg on its sheet, or leave it to be chosen by size.',
                );
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function fire(Run $run, CableType $cable, Installation $installation): array
    {
        $findings = [];
        foreach (Side::cases() as $side) {
            $location = $installation->location($run->end($side)->location);
            if ($location !== null && ! $cable->fire->meets($location->fire)) {
                $findings[] = Finding::stop(
                    'run.fire-class',
                    Subject::run($run->id),
                    sprintf(
                        '%s asks for cable of fire class "%s"; %s is "%s".',
                        $location->name,
                        $location->fire->value,
                        $cable->name,
                        $cable->fire->value,
                    ),
                    'Choose a cable of that class. Local code decides which class a place needs.',
                );
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function impedance(Run $run, CableType $cable, Installation $installation): array
    {
        $findings = [];
        foreach ($run->carries as $carriage) {
            $signal = $installation->catalogue->signal($installation->circuit($carriage->circuit)->signal ?? '');
            $line = $cable->impedance($carriage->element);
            if ($signal?->impedance === null || isset($findings[$signal->id])) {
                continue;
            }
            if ($line === null) {
                $findings[$signal->id] = Finding::check(
                    'run.impedance-unknown',
                    Subject::run($run->id),
                    sprintf(
                        '%s needs a line of %d Ω, and %s is not made to any.',
                        $signal->name,
                        $signal->impedance,
                        $cable->name,
                    ),
                    'Choose a cable of that impedance; a short run may pass without.',
                );
            } elseif (ImpedanceRule::differ($line, $signal->impedance)) {
                $findings[$signal->id] = Finding::stop(
                    'run.impedance',
                    Subject::run($run->id),
                    sprintf(
                        '%s needs a line of %d Ω; %s is %d Ω.',
                        $signal->name,
                        $signal->impedance,
                        $cable->name,
                        round($line),
                    ),
                    'Choose a cable of that impedance.',
                );
            }
        }

        return array_values($findings);
    }
}
