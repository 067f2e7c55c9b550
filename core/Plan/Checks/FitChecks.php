<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Compatibility\Fit;
use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/** Every leg of a run in its fitting. Legs with the same misfit are named together. */
final class FitChecks
{
    /**
     * @param  array<int|string, EndPinout>  $ends
     * @return list<Finding>
     */
    public static function judge(Run $run, CableType $cable, array $ends, Installation $installation): array
    {
        $found = [];
        foreach (Side::cases() as $side) {
            foreach ($run->end($side)->legs as $leg) {
                $fit = LegFit::of($leg, $cable, $ends[$side->value]->joints, $installation);
                if ($fit === null) {
                    continue;
                }
                // Equal tails in equal connectors are judged once.
                $judged = $installation->catalogue->kept->once(
                    Judged::class,
                    $fit->likeness(),
                    static fn (): Judged => new Judged(Fit::judge($fit)),
                );
                foreach ($judged->misfits as $misfit) {
                    $found[$side->value][$misfit->words]['misfit'] = $misfit;
                    $found[$side->value][$misfit->words]['legs'][] = $leg->label;
                }
            }
        }
        $findings = [];
        foreach ($found as $side => $bySide) {
            foreach ($bySide as ['misfit' => $misfit, 'legs' => $legs]) {
                $where =
                    sprintf('End %s of %s', $side, $run->code).
                    (count($run->end(Side::from($side))->legs) > 1 ? ', '.self::legs($legs) : '');
                $findings[] = new Finding(
                    $misfit->severity,
                    $misfit->code,
                    Subject::run($run->id),
                    $where.': '.$misfit->words,
                    $misfit->remedy,
                    $misfit->words,
                );
            }
        }

        return $findings;
    }

    /** @param  list<string>  $labels */
    private static function legs(array $labels): string
    {
        return count($labels) > 3
            ? sprintf('legs %s to %s', $labels[0], $labels[count($labels) - 1])
            : (count($labels) > 1 ? 'legs ' : 'leg ').implode(', ', $labels);
    }
}
