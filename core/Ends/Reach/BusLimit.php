<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\ReachRule;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/** The length of a line that several devices share, all its runs together. */
final readonly class BusLimit implements ReachLimit
{
    /** Receivers of one unit load on a line: TIA-485; ANSI E1.11 takes it over. */
    private const LOADS = 32;

    public function judge(SignalLine $line, ReachRule $rule): Reach
    {
        $most = $rule->most?->inMetres() ?? 0.0;
        $used = $line->sum(
            static fn (Stretch $stretch): float => $stretch->metres(),
            static fn (): string => 'cut length',
            'm',
            2,
            'the cut list',
        );
        assert($used instanceof Figure);
        $limit = new Figure($most, 'm', [
            new FigureTerm('line', 'from the first device to the last', SignalLine::metres($most), $rule->source),
        ]);
        $devices = count($line->stretches);
        $loop = $line->loop();

        return Reach::against('bus', $used, $limit, 1.0, false, [
            [
                sprintf('unit loads, at most %d', self::LOADS),
                new Figure(
                    (float) $devices,
                    '',
                    [
                        new FigureTerm(
                            'receivers',
                            'one at the end of each run',
                            (string) $devices,
                            'TIA-485, ANSI E1.11',
                        ),
                    ],
                    0,
                ),
            ],
            ...$loop instanceof Figure ? [['loop resistance', $loop]] : [],
        ]);
    }
}
