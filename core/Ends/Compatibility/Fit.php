<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

/** Asks every rule. A new question is a new rule in this list. */
final class Fit
{
    /** @return list<Misfit> */
    public static function judge(LegFit $fit): array
    {
        $misfits = [];
        foreach (
            [
                new EntryRule(),
                new GaugeRule(),
                new StrandRule(),
                new ImpedanceRule(),
                new ScreenRule(),
                new FerruleRule(),
                new ContactRule(),
                new ProcedureRule(),
            ] as $rule
        ) {
            array_push($misfits, ...$rule->misfits($fit));
        }

        return $misfits;
    }
}
