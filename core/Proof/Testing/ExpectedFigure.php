<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeId;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/** How an expected number came about. */
final class ExpectedFigure
{
    /** Null where the method shows no number, or none can be said. */
    public static function work(Expectation $expectation, Question $question): ?Figure
    {
        $value = $expectation->senses()->expected($question);
        if (! is_float($value) || is_nan($value) || is_infinite($value)) {
            return null;
        }
        $what = $expectation->senses()->what($question);
        $scale = $expectation->senses()->scale($question);

        return new Figure($value, $scale->unit, self::terms($expectation, $question, $what, $value), $scale->digits);
    }

    /** @return list<FigureTerm> */
    private static function terms(Expectation $expectation, Question $question, string $what, float $value): array
    {
        $makeup = $expectation->setup->makeup;
        if ($what === CertifierSense::DELAY) {
            $pair = CertifierSense::pair($question->at);
            $each = $makeup->nanosecondsPerMetre[$pair] ?? 0.0;

            return [
                new FigureTerm(
                    'delay',
                    sprintf(
                        '%s × %s per m',
                        Figure::amount($each > 0 ? $value / $each : 0.0, 'm', 2),
                        Figure::amount($each, 'ns', 2),
                    ),
                    Figure::amount($value, 'ns'),
                    'circuit theory: 1 ÷ (NVP × c)',
                ),
            ];
        }
        if ($question->method === Method::Capacitance) {
            $plates = array_column($makeup->plates, 'nanofaradsPerMetre', 'core');

            return array_map(
                static fn (Edge $edge): FigureTerm => new FigureTerm(
                    self::name($edge),
                    sprintf(
                        '%s × %s per m, core to screen',
                        Figure::amount($edge->metres, 'm', 2),
                        Figure::amount(($plates[$edge->id] ?? 0.0) * 1000, 'pF', 0),
                    ),
                    Figure::amount(($plates[$edge->id] ?? 0.0) * $edge->metres, 'nF', 2),
                    'circuit theory; 1.8 times core to core: common practice',
                ),
                array_values(
                    array_filter(
                        self::conductors($expectation, $question),
                        static fn (Edge $edge): bool => isset($plates[$edge->id]),
                    ),
                ),
            );
        }
        $conductors = self::conductors($expectation, $question);
        if ($question->method === Method::Certifier && $what === CertifierSense::LENGTH) {
            return array_map(
                static fn (Edge $edge): FigureTerm => new FigureTerm(
                    self::name($edge),
                    'cut length',
                    Figure::amount($edge->metres, 'm', 2),
                    'plan',
                ),
                $conductors,
            );
        }
        $terms = array_map(
            static fn (Edge $edge): FigureTerm => new FigureTerm(
                self::name($edge),
                sprintf(
                    '%s × %s per m at 20 °C',
                    Figure::amount($edge->metres, 'm', 2),
                    Figure::amount($edge->metres > 0 ? ($edge->ohms / $edge->metres) * 1000 : 0.0, 'mΩ', 1),
                ),
                Figure::amount($edge->ohms, 'Ω', 3),
                'ASTM B258, IEC 60228',
            ),
            $conductors,
        );

        return [
            ...$terms,
            ...count($conductors) > 1
                ? [
                    new FigureTerm(
                        'together',
                        $what === CertifierSense::LOOP ? 'there and back' : 'as they are joined, each joint as 1 mΩ',
                        Figure::amount($value, 'Ω', 3),
                        'circuit theory',
                    ),
                ]
                : [],
        ];
    }

    /** @return list<Edge> that conduct to what is asked about */
    private static function conductors(Expectation $expectation, Question $question): array
    {
        $edges = [];
        foreach ($expectation->senses()->nodes($question) as $node) {
            foreach ($expectation->wiring->reach($node, MapMethod::LAMP) as $reached => $_) {
                foreach ($expectation->wiring->at((string) $reached) as $edge) {
                    if ($edge->kind === EdgeKind::Conductor) {
                        $edges[$edge->id] = $edge;
                    }
                }
            }
        }

        return array_values($edges);
    }

    private static function name(Edge $edge): string
    {
        return EdgeId::runOf($edge->id).' '.EdgeId::pathOf($edge->id);
    }
}
