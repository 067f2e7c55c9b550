<?php

declare(strict_types=1);

namespace Sartal\Core\Changing;

use Sartal\Core\Installation\Installation;

/**
 * Which pieces change places so that the runs of one type of cable come out
 * cheapest in all: pieces that are cut and not begun, each to one run. Two
 * that swap are the usual case, a ring of several the general one.
 */
final class Exchanges
{
    /** @var array<string, array<string, string>> run → run whose piece it takes, by type of cable */
    private array $taken = [];

    public function __construct(private readonly Installation $installation, private readonly Pieces $pieces, private readonly Worth $worth)
    {
    }

    /**
     * The pieces that move together with this run's own.
     *
     * @return array<string, string> run → run whose piece it takes, which may be of no use to one that is cut anew; empty where its own stays
     */
    public function ringOf(string $run): array
    {
        $cable = $this->installation->runs[$run]->cable;
        $taken = $this->taken[$cable] ??= $this->match($this->pieces->free($cable));
        $ring = [];
        for ($at = $run; isset($taken[$at]) && ! isset($ring[$at]); $at = $taken[$at]) {
            $ring[$at] = $taken[$at];
        }

        return count($ring) < 2 || $at !== $run ? [] : $ring;
    }

    /**
     * @param  array<string, string>  $ring
     * @return list<Effort>
     */
    public function terms(array $ring): array
    {
        return [new Effort('mark again', sprintf('both ends of %d pieces, measured', count($ring)), count($ring) * $this->move())];
    }

    /** min for one piece that goes to another run. */
    private function move(): float
    {
        return $this->worth->pace('mark') + Worth::CONFIRM;
    }

    /**
     * @param  list<Piece>  $pieces
     * @return array<string, string>
     */
    private function match(array $pieces): array
    {
        $move = $this->move();
        $cable = $this->installation->economy->prices[$pieces[0]->cable ?? ''] ?? 0.0;
        $rate = $this->installation->economy->rate / 60;
        $anew = fn (Piece $run): float => ($this->worth->pace('cut') + $this->worth->pace('mark')) * $rate + $run->planned->inMetres() * ($cable + $this->worth->pace('cut-metre') * $rate);
        $cost = static function (int $run, int $piece) use ($pieces, $move, $anew, $rate): float {
            [$for, $is] = [$pieces[$run], $pieces[$piece]];

            return match (true) {
                $is->serves($for) => $run === $piece ? 0.0 : $move * $rate,
                $is->servesAtAPinch($for) => ($run === $piece ? Worth::CONFIRM : $move + Worth::CONFIRM) * $rate,
                // A piece that is of no use to anybody stays where it is.
                default => $anew($for) + ($run === $piece ? 0.0 : $move * $rate),
            };
        };
        $taken = [];
        foreach (Assignment::cheapest(count($pieces), $cost) as $run => $piece) {
            $taken[$pieces[$run]->run] = $pieces[$piece]->run;
        }

        return $taken;
    }
}
