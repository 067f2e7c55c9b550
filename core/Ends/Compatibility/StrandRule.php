<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

use Sartal\Core\Given\Catalogue\Strands;

/** Solid conductors need terminals made for solid, stranded for stranded. Source: common practice. */
final class StrandRule implements FitRule
{
    public function misfits(LegFit $fit): iterable
    {
        $said = [];
        foreach ($fit->landed as $landed) {
            $terminal = $fit->layout->terminal($landed->address);
            $count = $landed->conductor->element->strands;
            if (
                $terminal === null ||
                $landed->conductor->isBare() ||
                $terminal->strands->takes($count) ||
                isset($said[$terminal->name])
            ) {
                continue;
            }
            $said[$terminal->name] = true;
            $wanted = $terminal->strands === Strands::Solid ? 'solid' : 'stranded';
            yield Misfit::stop(
                'fit.strands',
                sprintf(
                    '%s has %s conductors; the %s of %s is made for %s.',
                    $fit->cable->name,
                    $count === 1 ? 'solid' : 'stranded',
                    $terminal->name,
                    $fit->connector->name,
                    $wanted,
                ),
                sprintf(
                    'Choose its version for %s, or a cable with %s conductors.',
                    $count === 1 ? 'solid' : 'stranded',
                    $wanted,
                ),
            );
        }
    }
}
