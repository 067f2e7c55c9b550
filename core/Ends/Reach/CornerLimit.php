<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\ReachRule;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/**
 * Above the corner 1/(2πRC) of source and cable, treble is lost; it has to lie above what is heard. Source: circuit
 * theory.
 */
final readonly class CornerLimit implements ReachLimit
{
    public function judge(SignalLine $line, ReachRule $rule): Reach
    {
        $used = CapacitanceLimit::of($line);
        if (is_string($used)) {
            return Reach::unknown('corner', $used.' does not state its capacitance');
        }
        $ohms = $line->circuit->demand->source ?? ($rule->ohms ?? 200.0);
        $kilohertz = $rule->kilohertz ?? 20.0;
        $most = 1e12 / (2 * M_PI * $ohms * $kilohertz * 1e3);
        $corner = $used->value > 0 ? 1e9 / (2 * M_PI * $ohms * $used->value) : INF;
        $lost = 10 * log10(1 + ($kilohertz / $corner) ** 2);
        $limit = new Figure(
            $most,
            'pF',
            [
                new FigureTerm('corner', 'has to lie above', Figure::amount($kilohertz, 'kHz'), $rule->source),
                new FigureTerm(
                    'source',
                    $line->circuit->demand->source === null ? 'usual of its signal' : 'stated for the circuit',
                    Figure::amount($ohms, 'Ω'),
                    '',
                ),
                new FigureTerm(
                    'capacitance',
                    '1 ÷ (2π × source × corner)',
                    Figure::amount($most, 'pF', 0),
                    'circuit theory',
                ),
            ],
            0,
        );
        $loop = $line->loop();
        $reach = Reach::against('corner', $used, $limit, 1.0, false, [
            [
                'corner',
                new Figure(
                    $corner,
                    'kHz',
                    [
                        new FigureTerm(
                            'corner',
                            '1 ÷ (2π × source × capacitance)',
                            Figure::amount($corner, 'kHz'),
                            'circuit theory',
                        ),
                    ],
                    0,
                ),
            ],
            [
                sprintf('lost at %s kHz', Figure::amount($kilohertz, '')),
                new Figure(
                    $lost,
                    'dB',
                    [
                        new FigureTerm(
                            'loss',
                            '10 × log₁₀(1 + (f ÷ corner)²)',
                            Figure::amount($lost, 'dB', 2),
                            'circuit theory',
                        ),
                    ],
                    2,
                ),
            ],
            ...$loop instanceof Figure ? [['loop resistance', $loop]] : [],
        ]);

        // At the corner itself 3 dB are lost: what is left of them is the margin.
        return new Reach(
            $reach->verdict,
            $reach->kind,
            $reach->used,
            $reach->limit,
            $reach->margin,
            10 * log10(2) - $lost,
            '',
            $reach->information,
        );
    }
}
