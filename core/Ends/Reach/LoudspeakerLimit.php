<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\ReachRule;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/**
 * Loss in the resistance of a loudspeaker line: 20·log10((Rload + Rloop) /
 * Rload). On a 70 or 100 V line the load is U² ÷ P. Source: circuit theory;
 * what is planned to is common practice.
 */
final readonly class LoudspeakerLimit implements ReachLimit
{
    public function judge(SignalLine $line, ReachRule $rule): Reach
    {
        $loop = $line->loop();
        if (is_string($loop)) {
            return Reach::unknown('loudspeaker', $loop.' has no two cores to go there and back');
        }
        $demand = $line->circuit->demand;
        [$load, $how] =
            $demand->line !== null && $demand->power !== null
                ? [
                    $demand->line ** 2 / $demand->power,
                    sprintf(
                        '%s V line, %s W: U² ÷ P',
                        Figure::amount($demand->line, ''),
                        Figure::amount($demand->power, ''),
                    ),
                ]
                : [
                    $demand->load ?? ($rule->ohms ?? 8.0),
                    $demand->load === null ? 'usual of its signal' : 'stated for the circuit',
                ];
        $lost = 20 * log10(($load + $loop->value) / $load);
        $most = $rule->decibels ?? 0.5;
        $information = [['loop resistance', $loop]];
        if ($demand->power !== null) {
            $amperes = sqrt($demand->power / $load);
            $information[] = [
                'heat in the cable',
                new Figure($amperes ** 2 * $loop->value, 'W', [
                    new FigureTerm(
                        'current',
                        sprintf('√(%s W ÷ %s Ω)', Figure::amount($demand->power, ''), Figure::amount($load, '')),
                        Figure::amount($amperes, 'A', 2),
                        'circuit theory',
                    ),
                ]),
            ];
        }

        return Reach::against(
            'loudspeaker',
            new Figure(
                $lost,
                'dB',
                [
                    ...$loop->terms,
                    new FigureTerm('load', $how, Figure::amount($load, 'Ω'), ''),
                    new FigureTerm(
                        'loss',
                        '20 × log₁₀((load + loop) ÷ load)',
                        Figure::amount($lost, 'dB', 2),
                        'circuit theory',
                    ),
                ],
                2,
            ),
            new Figure(
                $most,
                'dB',
                [new FigureTerm('loss', 'planned to', Figure::amount($most, 'dB', 2), $rule->source)],
                2,
            ),
            1.0,
            true,
            $information,
        );
    }
}
