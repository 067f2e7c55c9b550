<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\ReachRule;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/** Capacitance of the whole line, as TIA-232 limits it. */
final readonly class CapacitanceLimit implements ReachLimit
{
    public function judge(SignalLine $line, ReachRule $rule): Reach
    {
        $used = self::of($line);
        if (is_string($used)) {
            return Reach::unknown('capacitance', $used.' does not state its capacitance');
        }
        $most = $rule->picofarads ?? 0.0;

        return Reach::against(
            'capacitance',
            $used,
            new Figure(
                $most,
                'pF',
                [new FigureTerm('capacitance', 'of the line in all', Figure::amount($most, 'pF'), $rule->source)],
                0,
            ),
        );
    }

    public static function of(SignalLine $line): Figure|string
    {
        return $line->sum(
            static fn (Stretch $stretch): ?float => $stretch->picofaradsPerMetre() === null
                ? null
                : $stretch->picofaradsPerMetre() * $stretch->metres(),
            static fn (Stretch $stretch): string => sprintf(
                '%s × %s pF/m',
                SignalLine::metres($stretch->metres()),
                Figure::amount((float) $stretch->picofaradsPerMetre(), '', 0),
            ),
            'pF',
            0,
            'stated by the cable type, or its coax\'s geometry',
        );
    }
}
