<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;

/**
 * A panel seen from behind, where the work is: places in rows and columns,
 * where the bundle comes in, and the bars that tails are laced to. Distances
 * run from its left and top edge.
 */
final readonly class Panel
{
    /**
     * @param  Length  $left  from the edge to the middle of the first column
     * @param  Length  $top  from the edge to the middle of the first row
     * @param  Length  $pitch  from column to column
     * @param  Length  $rise  from row to row
     * @param  Length  $entryAcross  where the bundle comes in
     * @param  list<Length>  $bars  how far down each lacing bar is
     * @param  Length  $depth  from the bars to the back of the connectors
     * @param  Length  $dressing  more for each tail, to be dressed and to be opened
     * @param  TailCut  $tails  how a group of tails is cut
     * @param  ?int  $unit  of its rack that its top edge is at
     * @param  array<int|string, string>  $places  "row-column", from 1 → fitting
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $location,
        public int $rows,
        public int $columns,
        public Length $left,
        public Length $top,
        public Length $pitch,
        public Length $rise,
        public Length $entryAcross,
        public Length $entryDown,
        public array $bars,
        public Length $depth,
        public Length $dressing,
        public TailCut $tails = TailCut::Equal,
        public ?int $unit = null,
        public array $places = [],
    ) {
    }

    /** @return ?array{int, int} row and column of a place, from 1; null where the panel has no such place */
    public function place(string $place): ?array
    {
        if (preg_match('~^(\d{1,3})-(\d{1,3})$~', $place, $m) !== 1) {
            return null;
        }
        [$row, $column] = [(int) $m[1], (int) $m[2]];

        return $row >= 1 && $row <= $this->rows && $column >= 1 && $column <= $this->columns ? [$row, $column] : null;
    }

    /** How far down a row is, from 1. */
    public function down(int $row): Length
    {
        return $this->top->plus($this->rise->times($row - 1));
    }

    /** @return ?Length how far down the bar is that a row is laced to, the nearest; null where there is none */
    public function bar(int $row): ?Length
    {
        $nearest = null;
        foreach ($this->bars as $bar) {
            if ($nearest === null || $this->off($bar, $row) < $this->off($nearest, $row)) {
                $nearest = $bar;
            }
        }

        return $nearest;
    }

    /** @return int nm between a bar and a row */
    private function off(Length $bar, int $row): int
    {
        return abs($bar->nanometres - $this->down($row)->nanometres);
    }
}
