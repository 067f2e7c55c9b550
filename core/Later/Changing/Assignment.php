<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

/**
 * Who takes which, at the least cost in all: each row one column, each column
 * one row. Kuhn, "The Hungarian method for the assignment problem" (1955), by
 * shortest augmenting paths with potentials (Jonker and Volgenant, 1987).
 * A row whose cheapest column is free takes it at once, so that n rows of
 * which k have to look further cost n² + k × n².
 */
final class Assignment
{
    /**
     * @param  callable(int, int): float  $cost  of a row and a column, from 0; never below nothing
     * @return array<int, int> row → column
     */
    public static function cheapest(int $size, callable $cost): array
    {
        // Columns and rows from 1; 0 is where a path begins.
        $u = $v = array_fill(0, $size + 1, 0.0);
        $rowOf = array_fill(0, $size + 1, 0);
        for ($row = 1; $row <= $size; $row++) {
            $rowOf[0] = $row;
            $column = 0;
            $least = array_fill(0, $size + 1, INF);
            $from = array_fill(0, $size + 1, 0);
            $used = array_fill(0, $size + 1, false);
            do {
                $used[$column] = true;
                $at = $rowOf[$column];
                $delta = INF;
                $next = 0;
                for ($j = 1; $j <= $size; $j++) {
                    if ($used[$j]) {
                        continue;
                    }
                    $reduced = $cost($at - 1, $j - 1) - $u[$at] - $v[$j];
                    if ($reduced < $least[$j]) {
                        $least[$j] = $reduced;
                        $from[$j] = $column;
                    }
                    if ($least[$j] < $delta) {
                        $delta = $least[$j];
                        $next = $j;
                    }
                }
                for ($j = 0; $j <= $size; $j++) {
                    if ($used[$j]) {
                        $u[$rowOf[$j]] += $delta;
                        $v[$j] -= $delta;
                    } else {
                        $least[$j] -= $delta;
                    }
                }
                $column = $next;
            } while ($rowOf[$column] !== 0);
            do {
                $rowOf[$column] = $rowOf[$from[$column]];
                $column = $from[$column];
            } while ($column !== 0);
        }
        $taken = [];
        for ($j = 1; $j <= $size; $j++) {
            $taken[$rowOf[$j] - 1] = $j - 1;
        }
        ksort($taken);

        return $taken;
    }
}
