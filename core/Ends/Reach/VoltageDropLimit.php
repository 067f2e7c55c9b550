<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\ReachRule;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/**
 * Voltage that is lost on the way to a load. For mains it is information
 * alone: sizing, protection and connection are for local code and a licensed
 * person. Conductors that carry power are reckoned warm.
 */
final readonly class VoltageDropLimit implements ReachLimit
{
    /** IEC 60028, for each kelvin; to 70 °C, where the insulation of usual wire ends. */
    private const PER_KELVIN = 0.003_93;

    private const WARMER = 50;

    public function judge(SignalLine $line, ReachRule $rule): Reach
    {
        $loop = $line->loop();
        if (is_string($loop)) {
            return Reach::unknown('voltage-drop', $loop.' has no two cores to go there and back');
        }
        $watts = $line->circuit->demand->power;
        if ($watts === null) {
            return Reach::unknown('voltage-drop', 'nobody said how much power the circuit is to carry', [
                ['loop resistance', $loop],
            ]);
        }
        $mains = $line->signal->domain === HazardDomain::Mains;
        $volts = $line->circuit->demand->line ?? ($rule->volts ?? 230.0);
        $warm = $mains ? 1 + self::PER_KELVIN * self::WARMER : 1.0;
        $amperes = $watts / $volts;
        $drop = $amperes * $loop->value * $warm;
        $most = ($volts * ($rule->percent ?? 3.0)) / 100;

        return Reach::against(
            'voltage-drop',
            new Figure(
                $drop,
                'V',
                [
                    ...$loop->terms,
                    ...$mains
                        ? [
                            new FigureTerm(
                                'warm',
                                'at 70 °C, 0.393 % for each kelvin above 20 °C',
                                '× '.Figure::amount($warm, '', 3),
                                'IEC 60028',
                            ),
                        ]
                        : [],
                    new FigureTerm(
                        'current',
                        sprintf('%s W ÷ %s V', Figure::amount($watts, ''), Figure::amount($volts, '')),
                        Figure::amount($amperes, 'A', 2),
                        'circuit theory',
                    ),
                    new FigureTerm('lost', 'current × resistance', Figure::amount($drop, 'V', 2), 'circuit theory'),
                ],
                2,
            ),
            new Figure($most, 'V', [
                new FigureTerm(
                    'may be lost',
                    sprintf('%s %% of %s V', Figure::amount($rule->percent ?? 3.0, ''), Figure::amount($volts, '')),
                    Figure::amount($most, 'V'),
                    $rule->source,
                ),
            ]),
            1.0,
            false,
            [['loop resistance', $loop]],
        );
    }
}
