<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Work\Bench\Pace;

/**
 * Which pieces change places so that the runs of one type of cable come out
 * cheapest in all: pieces that are cut and not begun, each to one run. Two
 * that swap are the usual case, a ring of several the general one.
 */
final class Exchanges
{
    /** Comparisons that an exact answer may take: a second or so. */
    public const MOST = 800_000;

    /** @var array<int|string, array<int|string, string>> run → run whose piece it takes, by type of cable */
    private array $taken = [];

    public function __construct(
        private readonly Installation $installation,
        private readonly Pieces $pieces,
        private readonly Worth $worth,
        private readonly int $most = self::MOST,
    ) {
    }

    /**
     * The pieces that move together with this run's own.
     *
     * @return array<int|string, string> run → run whose piece it takes, which may be of no use to one that is cut anew;
     *     empty where its own stays
     */
    public function ringOf(string $run): array
    {
        $cable = $this->installation->theRun($run)->cable;
        $taken = $this->taken[$cable] ??= $this->match($this->pieces->free($cable));
        $ring = [];
        for ($at = $run; isset($taken[$at]) && ! isset($ring[$at]); $at = $taken[$at]) {
            $ring[$at] = $taken[$at];
        }

        return count($ring) < 2 || $at !== $run ? [] : $ring;
    }

    /**
     * @param  array<int|string, string>  $ring
     * @return list<Effort>
     */
    public function terms(array $ring): array
    {
        return [
            new Effort(
                'mark again',
                sprintf('both ends of %d pieces, measured', count($ring)),
                count($ring) * $this->move(),
            ),
        ];
    }

    /** min for one piece that goes to another run. */
    private function move(): float
    {
        return $this->worth->pace(Pace::Mark) + Worth::CONFIRM;
    }

    /**
     * @param  list<CutPiece>  $pieces
     * @return array<int|string, string>
     */
    private function match(array $pieces): array
    {
        $short = array_values(array_filter($pieces, static fn (CutPiece $piece): bool => ! $piece->serves($piece)));
        if ($short === []) {
            return [];
        }
        $pieces = self::involved($pieces, $short);
        if (count($short) * count($pieces) ** 2 > $this->most) {
            // So many at once: only the short ones deal their pieces out among themselves.
            return $this->dealt($short);
        }
        $taken = [];
        foreach (Assignment::cheapest(count($pieces), $this->costs($pieces)) as $run => $piece) {
            $taken[$pieces[$run]->run] = $pieces[$piece]->run;
        }

        return $taken;
    }

    /**
     * Those that can lie on a ring which helps a short one: reached from it by
     * pieces that serve, and leading back to a piece that a short one gives up,
     * or that of a run which is cheaper to cut anew. The others keep their own.
     *
     * @param  list<CutPiece>  $pieces
     * @param  non-empty-list<CutPiece>  $short
     * @return list<CutPiece>
     */
    private static function involved(array $pieces, array $short): array
    {
        $least = static fn (CutPiece $piece): int => $piece->needed->nanometres - $piece->reserve->nanometres;
        // The longest that can be given up towards a run, and the shortest that can be asked for.
        $longest = max(array_map(static fn (CutPiece $piece): int => $piece->length->nanometres, $short));
        $dearest = max(array_map(static fn (CutPiece $piece): int => $piece->needed->nanometres, $short));
        foreach ($pieces as $piece) {
            $longest = $piece->needed->nanometres < $dearest ? max($longest, $piece->length->nanometres) : $longest;
        }
        $shortest = min(array_map($least, $short));
        do {
            $before = [$longest, $shortest];
            foreach ($pieces as $piece) {
                if ($least($piece) <= $longest) {
                    $longest = max($longest, $piece->length->nanometres);
                }
                if ($piece->length->nanometres >= $shortest) {
                    $shortest = min($shortest, $least($piece));
                }
            }
        } while ($before !== [$longest, $shortest]);

        return array_values(
            array_filter(
                $pieces,
                static fn (CutPiece $piece): bool => ! $piece->serves($piece) ||
                    ($piece->length->nanometres >= $shortest &&
                        ($least($piece) <= $longest || $piece->needed->nanometres < $dearest)),
            ),
        );
    }

    /**
     * Cost of a run that takes a piece, by their places in the list. Plain
     * numbers: it is asked for some millions of times.
     *
     * @param  list<CutPiece>  $pieces
     * @return callable(int, int): float
     */
    private function costs(array $pieces): callable
    {
        $rate = $this->installation->economy()->rate / 60;
        $move = $this->move() * $rate;
        $confirm = Worth::CONFIRM * $rate;
        $length = array_map(static fn (CutPiece $piece): int => $piece->length->nanometres, $pieces);
        $needed = array_map(static fn (CutPiece $piece): int => $piece->needed->nanometres, $pieces);
        $least = array_map(
            static fn (CutPiece $piece): int => $piece->needed->nanometres - $piece->reserve->nanometres,
            $pieces,
        );
        $anew = array_map($this->anew(...), $pieces);

        return static fn (int $run, int $piece): float => ($run === $piece ? 0.0 : $move) +
            match (true) {
                $length[$piece] >= $needed[$run] => 0.0,
                $length[$piece] >= $least[$run] => $confirm,
                // A piece that is of no use to anybody stays where it is.
                default => $anew[$run],
            };
    }

    private function anew(CutPiece $run): float
    {
        $rate = $this->installation->economy()->rate / 60;
        $cable = $this->installation->economy()->prices[$run->cable] ?? 0.0;

        return ($this->worth->pace(Pace::Cut) + $this->worth->pace(Pace::Mark)) * $rate +
            $run->planned->inMetres() * ($cable + $this->worth->pace(Pace::CutMetre) * $rate);
    }

    /**
     * The most demanding run takes the shortest piece that serves it, then the
     * next: what serves it serves every less demanding one, so that no other
     * order helps more of them.
     *
     * @param  list<CutPiece>  $short
     * @return array<int|string, string>
     */
    private function dealt(array $short): array
    {
        $least = static fn (CutPiece $piece): int => $piece->needed->nanometres - $piece->reserve->nanometres;
        $runs = $left = $short;
        usort($runs, static fn (CutPiece $a, CutPiece $b): int => $least($b) <=> $least($a) ?: $a->run <=> $b->run);
        usort(
            $left,
            static fn (CutPiece $a, CutPiece $b): int => $a->length->compare($b->length) ?: $a->run <=> $b->run,
        );
        $taken = [];
        foreach ($runs as $run) {
            // Its own, where its slack makes up for it, costs nobody anything.
            $found = $run->servesAtAPinch($run) ? self::at($left, $run->run) : self::first($left, $least($run));
            if ($found !== null) {
                $taken[$run->run] = $left[$found]->run;
                array_splice($left, $found, 1);
            }
        }
        // Whoever has none yet keeps what is left, its own where it is there: it is cut anew.
        $over = array_flip(array_map(static fn (CutPiece $piece): string => $piece->run, $left));
        $without = array_values(array_filter($runs, static fn (CutPiece $run): bool => ! isset($taken[$run->run])));
        foreach ($without as $run) {
            if (isset($over[$run->run])) {
                $taken[$run->run] = $run->run;
                unset($over[$run->run]);
            }
        }
        foreach ($without as $run) {
            if (! isset($taken[$run->run])) {
                $taken[$run->run] = (string) array_key_first($over);
                unset($over[$taken[$run->run]]);
            }
        }

        return $taken;
    }

    /** @param  list<CutPiece>  $pieces */
    private static function at(array $pieces, string $run): ?int
    {
        foreach ($pieces as $i => $piece) {
            if ($piece->run === $run) {
                return $i;
            }
        }

        return null;
    }

    /** @param  list<CutPiece>  $pieces  the shortest first */
    private static function first(array $pieces, int $least): ?int
    {
        [$low, $high] = [0, count($pieces)];
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($pieces[$middle]->length->nanometres >= $least) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low < count($pieces) ? $low : null;
    }
}
