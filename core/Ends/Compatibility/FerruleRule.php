<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

use Sartal\Core\Given\Catalogue\PartKind;

/**
 * A ferrule for the cable's outside and jacket: two may have the same outside
 * and a different wall. Source: common practice.
 */
final class FerruleRule implements FitRule
{
    public function misfits(LegFit $fit): iterable
    {
        $type = $fit->connector;
        $over = $fit->diameter();
        $ferrules = $fit->parts(PartKind::Ferrule, $type->cable->ferrules);
        if ($over === null || $ferrules === []) {
            return;
        }
        $byDiameter = [];
        foreach ($ferrules as $ferrule) {
            if ($ferrule->fitsOver($over, $fit->cable->jacket)) {
                return;
            }
            if ($ferrule->grips?->takes($over) === true) {
                $byDiameter[] = $ferrule->name;
            }
        }
        yield $byDiameter === []
            ? Misfit::stop(
                'fit.ferrule',
                sprintf('No ferrule of %s goes over %s of %s.', $type->name, $fit->name(), $over->canonical()),
                'Choose a connector with a ferrule for that cable.',
            )
            : Misfit::stop(
                'fit.ferrule-jacket',
                sprintf(
                    '%s goes over %s, but is not made for its %s jacket.',
                    $byDiameter[0],
                    $fit->name(),
                    $fit->cable->jacket,
                ),
                'Choose the ferrule for that jacket.',
            );
    }
}
