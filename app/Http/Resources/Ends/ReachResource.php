<?php

declare(strict_types=1);

namespace App\Http\Resources\Ends;

use App\Planning\Loaded;
use Sartal\Core\Ends\Reach\Reaches;
use Sartal\Core\Ends\Reach\ReachVerdict;
use Sartal\Core\Ends\Reach\SignalLine;
use Sartal\Core\Ends\Reach\Stretch;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Runs\RunPlan;

/**
 * How far circuits go.
 *
 * @phpstan-import-type FigureShown from PlanEncoder
 *
 * @phpstan-type Reach array{
 *     id: string,
 *     name: string,
 *     signal: string,
 *     runs: list<string>,
 *     verdict: value-of<ReachVerdict>,
 *     kind: string,
 *     used: FigureShown|null,
 *     limit: FigureShown|null,
 *     margin: float|null,
 *     decibels: float|null,
 *     missing: string,
 *     information: list<array{what: string, figure: FigureShown}>,
 *     next: array{cable: string, margin: float}|null,
 * }
 */
final class ReachResource
{
    /** What one looks at first. */
    private const RANK = [ReachVerdict::Beyond, ReachVerdict::Tight, ReachVerdict::Unknown, ReachVerdict::Reaches];

    /**
     * @param  ?list<string>  $circuits  ids; null: all
     * @return list<Reach>
     */
    public static function of(Loaded $loaded, ?array $circuits = null): array
    {
        $reaches = new Reaches($loaded->installation);
        $lines = $reaches->lines(
            $loaded->plan()->runs->map(static fn (RunPlan $run): Length => $run->cut->result),
        );

        return array_map(
            static fn (SignalLine $line): array => self::line($line, $reaches),
            array_values($circuits === null ? $lines : array_intersect_key($lines, array_flip($circuits))),
        );
    }

    /**
     * @param  list<Reach>  $whole
     * @return list<Reach> the least margin first, each figure without how it came about
     */
    public static function inBrief(array $whole): array
    {
        $lines = array_map(
            static fn (array $line): array => [
                ...$line,
                'used' => $line['used'] === null ? null : ['terms' => []] + $line['used'],
                'limit' => $line['limit'] === null ? null : ['terms' => []] + $line['limit'],
                'information' => array_map(
                    static fn (array $each): array => [
                        'what' => $each['what'],
                        'figure' => ['terms' => []] + $each['figure'],
                    ],
                    $line['information'],
                ),
            ],
            $whole,
        );
        $rank = array_flip(array_column(self::RANK, 'value'));
        usort(
            $lines,
            static fn (array $a, array $b): int => [$rank[$a['verdict']], $a['margin'] ?? INF] <=>
            [$rank[$b['verdict']], $b['margin'] ?? INF],
        );

        return $lines;
    }

    /** @return Reach */
    private static function line(SignalLine $line, Reaches $reaches): array
    {
        $reach = $reaches->judge($line);
        $next =
            $reach->verdict === ReachVerdict::Beyond || $reach->verdict === ReachVerdict::Tight
                ? $reaches->next($line)
                : null;

        return [
            'id' => $line->circuit->id,
            'name' => $line->circuit->name,
            'signal' => $line->signal->name,
            'runs' => array_values(
                array_unique(array_map(static fn (Stretch $stretch): string => $stretch->run, $line->stretches)),
            ),
            'verdict' => $reach->verdict->value,
            'kind' => $reach->kind,
            'used' => $reach->used === null ? null : PlanEncoder::figure($reach->used),
            'limit' => $reach->limit === null ? null : PlanEncoder::figure($reach->limit),
            'margin' => $reach->margin === null ? null : round($reach->margin, 1),
            'decibels' => $reach->decibels === null ? null : round($reach->decibels, 2),
            'missing' => $reach->missing,
            'information' => array_map(
                static fn (array $each): array => ['what' => $each[0], 'figure' => PlanEncoder::figure($each[1])],
                $reach->information,
            ),
            'next' => $next === null
                ? null
                : ['cable' => $next[0]->name, 'margin' => round($next[1]->margin ?? 0.0, 1)],
        ];
    }
}
