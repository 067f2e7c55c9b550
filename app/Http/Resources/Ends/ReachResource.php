<?php

declare(strict_types=1);

namespace App\Http\Resources\Ends;

use App\Planning\Loaded;
use Generator;
use Sartal\Core\Ends\Reach\Reaches;
use Sartal\Core\Ends\Reach\ReachVerdict;
use Sartal\Core\Ends\Reach\SignalLine;
use Sartal\Core\Ends\Reach\Stretch;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\Run;
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

    /** @return array<int|string, SignalLine> by circuit */
    public static function lines(Loaded $loaded): array
    {
        return (new Reaches($loaded->installation))->lines(
            $loaded->plan()->runs->map(static fn (RunPlan $run): Length => $run->cut->result),
        );
    }

    /**
     * @param  list<string>  $circuits  ids
     * @return list<Reach>
     */
    public static function of(Loaded $loaded, array $circuits): array
    {
        $wanted = array_flip($circuits);
        $carry = array_filter(
            $loaded->installation->runs(),
            static fn (Run $run): bool => array_filter(
                $run->carries,
                static fn (Carriage $each): bool => isset($wanted[$each->circuit]),
            ) !== [],
        );
        // Nothing else is worked out for it.
        $runs = array_map(static fn (Run $run): string => $run->id, array_values($carry));
        $lengths = $loaded->plan()->runs->among($runs)->map(static fn (RunPlan $run): Length => $run->cut->result);
        $lines = array_intersect_key((new Reaches($loaded->installation))->lines($lengths, $runs), $wanted);

        return iterator_to_array(self::each($loaded, $lines), false);
    }

    /**
     * One after another: how each figure of thousands came about is not in hand at once.
     *
     * @param  ?array<int|string, SignalLine>  $lines  by circuit; null: all
     * @return Generator<Reach>
     */
    public static function each(Loaded $loaded, ?array $lines = null): Generator
    {
        $reaches = new Reaches($loaded->installation);
        foreach ($lines ?? self::lines($loaded) as $line) {
            yield self::line($line, $reaches);
        }
    }

    /**
     * @param  Reach  $line
     * @return Reach each figure without how it came about
     */
    public static function brief(array $line): array
    {
        return [
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
        ];
    }

    /**
     * @param  list<array{value-of<ReachVerdict>, ?float, string}>  $lines  verdict, margin, and whatever else
     * @return list<array{value-of<ReachVerdict>, ?float, string}> the least margin first
     */
    public static function listed(array $lines): array
    {
        $rank = array_flip(array_column(self::RANK, 'value'));
        usort(
            $lines,
            static fn (array $a, array $b): int => [$rank[$a[0]], $a[1] ?? INF] <=> [$rank[$b[0]], $b[1] ?? INF],
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
