<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

use Sartal\Core\Given\Catalogue\PartKind;

/** The cable's outside against the connector's entry and its chucks. Source: common practice. */
final class EntryRule implements FitRule
{
    public function misfits(LegFit $fit): iterable
    {
        $type = $fit->connector;
        $entry = $type->cable->entry;
        $over = $fit->diameter();
        if ($entry === null || $over === null) {
            return;
        }
        if (! $entry->takes($over)) {
            $thin = $over->compare($entry->least) < 0;
            yield Misfit::stop(
                $thin ? 'fit.entry-too-thin' : 'fit.entry-too-thick',
                sprintf('%s is %s thick; %s takes %s.', $fit->name(), $over->canonical(), $type->name, $entry->text()),
                $thin
                    ? 'Build it up with sleeving or shrink, or choose a connector with a narrower entry.'
                    : 'Choose a connector with a wider entry, or a thinner cable.',
            );

            return;
        }
        $chucks = $fit->parts(PartKind::Chuck, $type->cable->chucks);
        foreach ($chucks as $chuck) {
            if ($chuck->fitsOver($over, $fit->cable->jacket)) {
                return;
            }
        }
        if ($chucks !== []) {
            yield Misfit::stop(
                'fit.chuck',
                sprintf('No chuck of %s grips %s of %s.', $type->name, $fit->name(), $over->canonical()),
                'Choose the chuck for that diameter, or another connector.',
            );
        }
    }
}
