<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

/** A connector made for one impedance on a line of another. Source: circuit theory; the margin is common practice. */
final class ImpedanceRule implements FitRule
{
    /** Share by which two impedances may differ before it shows. */
    public const MARGIN = 0.12;

    public function misfits(LegFit $fit): iterable
    {
        $type = $fit->connector;
        $line = count($fit->elements) === 1 ? $fit->cable->impedance($fit->elements[0]) : null;
        if ($type->impedance !== null && $line !== null && self::differ($line, $type->impedance)) {
            yield Misfit::stop(
                'fit.impedance',
                sprintf(
                    '%s is a line of %d Ω; %s is made for %d Ω.',
                    $fit->name(),
                    round($line),
                    $type->name,
                    $type->impedance,
                ),
                'Choose cable and connector of one impedance.',
            );
        }
    }

    public static function differ(float $one, float $other): bool
    {
        return abs($one - $other) > self::MARGIN * max($one, $other);
    }
}
