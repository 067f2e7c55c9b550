<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\ScreenTake;

/** What becomes of the cable's screen in the connector. Source: common practice. */
final class ScreenRule implements FitRule
{
    public function misfits(LegFit $fit): iterable
    {
        $type = $fit->connector;
        $take = $type->cable->screen;
        if ($take === ScreenTake::AllRound && ! $fit->isScreened()) {
            yield Misfit::stop(
                'fit.screen-missing',
                sprintf('%s holds a screen all round, and %s has none.', $type->name, $fit->name()),
                'Choose a screened cable, or an unscreened connector.',
            );
        }
        if ($take === ScreenTake::Nowhere && $fit->isScreened() && $this->isSignal($fit)) {
            yield Misfit::check(
                'fit.screen-nowhere',
                sprintf('%s has a screen, and %s has no place for it.', $fit->name(), $type->name),
                'Choose the screened connector, or leave the screen open at both ends on purpose.',
            );
        }
    }

    /** Mains has no contact for a screen: its drain goes with earth, which is looked at with both ends. */
    private function isSignal(LegFit $fit): bool
    {
        $first = $fit->cable->conductorsWithin($fit->elements[0] ?? '')[0]->domain;

        return $first === HazardDomain::Signal && $fit->connector->domain === $first;
    }
}
