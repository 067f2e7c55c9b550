<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

/**
 * Without a procedure nobody has said how the end is made: what the connector does not take. Source: common practice.
 */
final class ProcedureRule implements FitRule
{
    public function misfits(LegFit $fit): iterable
    {
        $type = $fit->connector;
        $prepares = $fit->prepares();
        if ($prepares !== '' && $type->cable->procedures !== [] && ! isset($type->cable->procedures[$prepares])) {
            yield Misfit::check(
                'fit.no-procedure',
                sprintf('%s is made for %s by no procedure.', $fit->name(), $type->name),
                'Choose a connector that is made for such a cable, or name a procedure at the connector.',
            );
        }
    }
}
