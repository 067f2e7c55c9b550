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

    private const SOURCE = 'TIA-485, ANSI E1.11';

    /** What a line has too much of where it is not too long. */
    public const KIND_LOADS = 'bus-loads';

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

        $loads = new Figure(
            (float) $devices,
            '',
            [new FigureTerm('receivers', 'one at the end of each run', (string) $devices, self::SOURCE)],
            0,
        );
        $information = $loop instanceof Figure ? [['loop resistance', $loop]] : [];
        if ($devices > self::LOADS && ! Reach::exceeds($used->value, $limit->value)) {
            return Reach::against(
                self::KIND_LOADS,
                $loads,
                new Figure(
                    (float) self::LOADS,
                    '',
                    [new FigureTerm('line', 'unit loads at most', (string) self::LOADS, self::SOURCE)],
                    0,
                ),
                information: [['length of the line', $used], ...$information],
            );
        }

        return Reach::against('bus', $used, $limit, 1.0, false, [
            [sprintf('unit loads, at most %d', self::LOADS), $loads],
            ...$information,
        ]);
    }
}
