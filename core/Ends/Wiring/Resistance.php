<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

/**
 * What an ohmmeter reads between two nodes: the network between them solved
 * by Kirchhoff's current law (any text on circuit theory). Joints are taken
 * as a thousandth of an ohm, so that the equations stay solvable.
 */
final class Resistance
{
    private const JOINT = 0.001;

    /** Ω; INF where nothing conducts. */
    public static function between(Wiring $wiring, string $one, string $other, float $most = INF): float
    {
        $nodes = array_keys($wiring->reach($one, $most));
        $place = array_flip(array_map(strval(...), $nodes));
        if (! isset($place[$other])) {
            return INF;
        }
        if ($one === $other) {
            return 0.0;
        }
        // The other node is earth; one ampere goes in at the first.
        $unknown = array_values(
            array_filter(array_map(strval(...), $nodes), static fn (string $node): bool => $node !== $other),
        );
        $at = array_flip($unknown);
        $matrix = array_fill(0, count($unknown), array_fill(0, count($unknown) + 1, 0.0));
        $matrix[$at[$one]][count($unknown)] = 1.0;
        foreach ($unknown as $row => $node) {
            foreach ($wiring->at($node) as $edge) {
                if (! $edge->closed || $edge->ohms > $most || $edge->from === $edge->to) {
                    continue;
                }
                $conducts = 1 / self::ohms($edge);
                $matrix[$row][$row] += $conducts;
                $next = $edge->opposite($node);
                if ($next !== $other) {
                    $matrix[$row][$at[$next]] -= $conducts;
                }
            }
        }

        return self::solved($matrix)[$at[$one]];
    }

    private static function ohms(Edge $edge): float
    {
        return max(self::JOINT, $edge->ohms);
    }

    /**
     * Gauss with the largest pivot.
     *
     * @param  array<int, array<int, float>>  $matrix  each row with its right-hand side
     * @return array<int, float>
     */
    private static function solved(array $matrix): array
    {
        $count = count($matrix);
        for ($i = 0; $i < $count; $i++) {
            $pivot = $i;
            for ($row = $i + 1; $row < $count; $row++) {
                if (abs($matrix[$row][$i]) > abs($matrix[$pivot][$i])) {
                    $pivot = $row;
                }
            }
            [$matrix[$i], $matrix[$pivot]] = [$matrix[$pivot], $matrix[$i]];
            for ($row = $i + 1; $row < $count; $row++) {
                $factor = $matrix[$row][$i] / $matrix[$i][$i];
                for ($column = $i; $factor !== 0.0 && $column <= $count; $column++) {
                    $matrix[$row][$column] -= $factor * $matrix[$i][$column];
                }
            }
        }
        $solution = array_fill(0, $count, 0.0);
        for ($i = $count - 1; $i >= 0; $i--) {
            $sum = $matrix[$i][$count];
            for ($column = $i + 1; $column < $count; $column++) {
                $sum -= $matrix[$i][$column] * $solution[$column];
            }
            $solution[$i] = $sum / $matrix[$i][$i];
        }

        return $solution;
    }
}
