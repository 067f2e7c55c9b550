<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\ReachRule;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Given\Measure\Length;

/**
 * A permanent link of at most 90 m, and a channel whose cords count for more
 * than their length: solid, of which 90 m at most, + cords × (1 + more) may make
 * up 102 m. Source: ANSI/TIA-568, from memory.
 */
final readonly class CategoryLimit implements ReachLimit
{
    private const LINK = 90.0;

    private const CHANNEL = 102.0;

    private const LONGEST = 100.0;

    /** Stranded conductors lose more: by a fifth, the thin ones by half. */
    private const CORDS = 0.2;

    private const THIN_CORDS = 0.5;

    /** mm² of 26 AWG, a little more for rounding. */
    private const THIN = 0.13;

    private const LINK_OHMS = 21.0;

    private const CHANNEL_OHMS = 25.0;

    private const LINK_DELAY = 498.0;

    private const CHANNEL_DELAY = 555.0;

    public function judge(SignalLine $line, ReachRule $rule): Reach
    {
        $solid = array_values(
            array_filter($line->stretches, static fn (Stretch $stretch): bool => self::more($stretch) === 0.0),
        );
        $isLink = count($solid) === count($line->stretches) && count($solid) === 1;
        $used = $this->used($line, $isLink, $rule);
        $limit = $isLink
            ? new Figure(self::LINK, 'm', [
                new FigureTerm('permanent link', 'without its cords', '90 m', $rule->source),
            ])
            : new Figure(self::CHANNEL, 'm', [
                new FigureTerm(
                    'channel',
                    '90 m solid and 10 m of cords that count for a fifth more',
                    '102 m',
                    $rule->source,
                ),
            ]);
        $reach = $this->withDecibels(
            Reach::against('category', $used, $limit, 1.0, false, $this->information($line, $isLink, $rule)),
            $line,
        );
        $fixed = Length::zero()->plus(...array_map(static fn (Stretch $stretch): Length => $stretch->length, $solid));
        if (! $isLink && Reach::exceeds($fixed->inMetres(), self::LINK)) {
            return $this->withDecibels($this->fixed($fixed->inMetres(), $solid, $reach, $rule), $line);
        }
        $whole = $line->length()->inMetres();
        if (! $isLink && Reach::exceeds($whole, self::LONGEST) && $reach->verdict !== ReachVerdict::Beyond) {
            $longest = new Figure(self::LONGEST, 'm', [new FigureTerm('channel', 'in all', '100 m', $rule->source)]);

            return $this->withDecibels(
                Reach::against(
                    'category',
                    new Figure($whole, 'm', $used->terms),
                    $longest,
                    1.0,
                    false,
                    $reach->information,
                ),
                $line,
            );
        }

        return $reach;
    }

    /**
     * What lies fixed in a channel, whatever cords it has.
     *
     * @param  list<Stretch>  $solid
     */
    private function fixed(float $metres, array $solid, Reach $reach, ReachRule $rule): Reach
    {
        $terms = array_map(
            static fn (Stretch $stretch): FigureTerm => new FigureTerm(
                $stretch->run,
                'solid',
                SignalLine::metres($stretch->metres()),
                $rule->source,
            ),
            $solid,
        );
        $limit = new Figure(self::LINK, 'm', [new FigureTerm('channel', 'its solid cable', '90 m', $rule->source)]);

        return Reach::against(
            'category',
            new Figure($metres, 'm', $terms, 2),
            $limit,
            information: $reach->information,
        );
    }

    /** The margin in dB: what the metres that are left would lose at the category's highest frequency. */
    private function withDecibels(Reach $reach, SignalLine $line): Reach
    {
        $frequency = $this->frequency($line);
        $perMetre =
            $frequency === null
                ? null
                : CategoryLoss::category($line->stretches[0]->cable->category)?->per100Metres($frequency);
        $left = ($reach->limit->value ?? 0.0) - ($reach->used->value ?? 0.0);

        return $perMetre === null
            ? $reach
            : new Reach(
                $reach->verdict,
                $reach->kind,
                $reach->used,
                $reach->limit,
                $reach->margin,
                ($left * $perMetre) / 100,
                '',
                $reach->information,
            );
    }

    /** MHz up to which all of the line is specified. */
    private function frequency(SignalLine $line): ?float
    {
        $frequency = INF;
        foreach ($line->stretches as $stretch) {
            $formula = CategoryLoss::category($stretch->cable->category);
            if ($formula === null) {
                return null;
            }
            $frequency = min($frequency, $formula->highest);
        }

        return $frequency;
    }

    /** Share by which a metre of it loses more than a metre of solid cable. */
    private static function more(Stretch $stretch): float
    {
        $core = $stretch->thinnest();
        if ($core === null || $core->element->strands <= 1) {
            return 0.0;
        }

        return $core->gauge->area <= self::THIN ? self::THIN_CORDS : self::CORDS;
    }

    private function used(SignalLine $line, bool $isLink, ReachRule $rule): Figure
    {
        $counted = 0.0;
        $terms = [];
        foreach ($line->stretches as $stretch) {
            $more = self::more($stretch);
            $amount = $stretch->metres() * (1 + $more);
            $counted += $amount;
            $terms[] = new FigureTerm(
                $stretch->run,
                $more === 0.0
                    ? 'solid'
                    : sprintf(
                        '%s stranded %s, counts for %d %% more',
                        SignalLine::metres($stretch->metres()),
                        $stretch->thinnest()?->gauge->text ?? '',
                        $more * 100,
                    ),
                SignalLine::metres($amount),
                $rule->source,
            );
        }

        return new Figure($counted, 'm', $terms, 2);
    }

    /** @return list<array{string, Figure}> */
    private function information(SignalLine $line, bool $isLink, ReachRule $rule): array
    {
        $more = [];
        $solid = $line->length()->inMetres();
        if ($isLink && ! Reach::exceeds($solid, self::LINK)) {
            foreach (['24 AWG' => self::CORDS, '26 AWG' => self::THIN_CORDS] as $gauge => $share) {
                $cords = min(self::LONGEST - $solid, (self::CHANNEL - $solid) / (1 + $share));
                $more[] = [
                    'cords of '.$gauge.', at most',
                    new Figure($cords, 'm', [
                        new FigureTerm(
                            'cords',
                            sprintf(
                                '(102 m − %s) ÷ %s, at most 100 m in all',
                                SignalLine::metres($solid),
                                Figure::amount(1 + $share, ''),
                            ),
                            SignalLine::metres($cords),
                            $rule->source,
                        ),
                    ]),
                ];
            }
        }
        $loss = $this->loss($line, $rule);
        if ($loss !== null) {
            $more[] = $loss;
        }
        $loop = $line->loop();
        if ($loop instanceof Figure) {
            $most = $isLink ? self::LINK_OHMS : self::CHANNEL_OHMS;
            $more[] = [
                sprintf('loop resistance, at most %s Ω', $most),
                new Figure($loop->value, 'Ω', [
                    ...$loop->terms,
                    new FigureTerm(
                        'may be',
                        $isLink ? 'permanent link' : 'channel',
                        Figure::amount($most, 'Ω'),
                        $rule->source,
                    ),
                ]),
            ];
        }
        $delay = $line->sum(
            static fn (Stretch $stretch): ?float => $stretch->velocity() === null
                ? null
                : ($stretch->metres() / ($stretch->velocity() * Stretch::LIGHT)) * 1e9,
            static fn (Stretch $stretch): string => sprintf(
                '%s at %s %% of the speed of light',
                SignalLine::metres($stretch->metres()),
                Figure::amount(100 * (float) $stretch->velocity(), '', 0),
            ),
            'ns',
            0,
            'length ÷ (NVP × c), NVP = 1 ÷ (Z × C × c)',
        );
        if ($delay instanceof Figure) {
            $more[] = [sprintf('delay, at most %d ns', $isLink ? self::LINK_DELAY : self::CHANNEL_DELAY), $delay];
        }
        array_push($more, ...$this->power($line, $loop));

        return $more;
    }

    /** @return ?array{string, Figure} at the category's highest frequency */
    private function loss(SignalLine $line, ReachRule $rule): ?array
    {
        $frequency = $this->frequency($line);
        if ($frequency === null) {
            return null;
        }
        $loss = $line->sum(
            static fn (Stretch $stretch): float => ((CategoryLoss::category($stretch->cable->category)?->per100Metres(
                $frequency,
            ) ??
                0.0) *
                $stretch->metres() *
                (1 + self::more($stretch))) /
                100,
            static fn (Stretch $stretch): string => sprintf(
                '%s of category %s, %s dB for 100 m',
                SignalLine::metres($stretch->metres()),
                $stretch->cable->category,
                Figure::amount(CategoryLoss::category($stretch->cable->category)?->per100Metres($frequency) ?? 0.0, ''),
            ),
            'dB',
            1,
            'ANSI/TIA-568-C.2, from memory',
        );

        return $loss instanceof Figure ? [sprintf('loss at %d MHz', $frequency), $loss] : null;
    }

    /**
     * Power over the cable on all four pairs: two loops side by side.
     *
     * @return list<array{string, Figure}>
     */
    private function power(SignalLine $line, Figure|string $loop): array
    {
        $watts = $line->circuit->demand->power;
        if ($watts === null || ! ($loop instanceof Figure)) {
            return [];
        }
        $volts = $line->circuit->demand->line ?? 50.0;
        $ohms = $loop->value / 4;
        $under = $volts ** 2 - 4 * $ohms * $watts;
        if ($under < 0) {
            return [
                [
                    'power over the cable',
                    new Figure(0.0, 'V', [
                        new FigureTerm(
                            'not possible',
                            sprintf(
                                '%s W cannot be fed through %s Ω from %s V',
                                Figure::amount($watts, ''),
                                Figure::amount($ohms, '', 2),
                                Figure::amount($volts, ''),
                            ),
                            '',
                            'circuit theory',
                        ),
                    ]),
                ],
            ];
        }
        $amperes = ($volts - sqrt($under)) / (2 * $ohms);

        return [
            [
                'power over the cable: lost on the way',
                new Figure($amperes * $ohms, 'V', [
                    new FigureTerm(
                        'resistance',
                        'a quarter of the loop: four pairs share the current',
                        Figure::amount($ohms, 'Ω', 2),
                        'circuit theory',
                    ),
                    new FigureTerm(
                        'current',
                        sprintf('%s W from %s V', Figure::amount($watts, ''), Figure::amount($volts, '')),
                        Figure::amount($amperes, 'A', 2),
                        'circuit theory',
                    ),
                    new FigureTerm('lost as heat', '', Figure::amount($amperes ** 2 * $ohms, 'W'), 'I² × R'),
                ]),
            ],
        ];
    }
}
