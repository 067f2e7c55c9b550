<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Installation\Run;

/** All cards of an installation, found by what is on them. */
interface Cards
{
    /**
     * @param  list<string>  $runs
     * @return array<int|string, RunCard> of those that there are, by run
     */
    public function of(array $runs): array;

    /**
     * @param  list<string>  $values  one of which is to be on it
     * @param  int  $most  so many are enough: there may be more
     * @return array<int|string, RunCard> by run
     */
    public function with(OnCard $what, array $values, int $most): array;

    /**
     * @param  list<string>  $texts
     * @param  list<string>  $but  runs that do not count
     * @return list<string> those of the texts that a label of another run is known by
     */
    public function said(array $texts, array $but): array;

    /**
     * @param  list<string>  $ways
     * @param  list<string>  $but  runs that do not count
     * @return array<int|string, array<int|string, int>> way → cable type → how many of the others lie in it
     */
    public function cables(array $ways, array $but): array;

    /**
     * Of runs that nobody pinned to their ways.
     *
     * @return array<array-key, ?int> {@see Course} → nm of the ways that are found; null: none
     */
    public function courses(): array;

    /**
     * Of all runs as much as counts for ways ({@see Lying::run}), without reading what else is on their cards.
     *
     * @return array<int|string, ?Run> by run, in the installation's order; null: it counts for none
     */
    public function lying(): array;
}
