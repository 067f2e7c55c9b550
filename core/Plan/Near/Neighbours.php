<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

/** Finds on cards which runs some have to do with; null wherever these are too many for that to be of use. */
final readonly class Neighbours
{
    /**
     * @param  array<array-key, list<string>>  $between  {@see TieName::between}
     * @param  int  $most  runs that are of use
     */
    public function __construct(private Cards $cards, private array $between, private int $most)
    {
    }

    /**
     * All that something about these may follow from.
     *
     * @param  array<int|string, RunCard>  $these  by run
     * @param  list<string>  $ties  of what is looked at besides
     */
    public function around(array $these, array $ties = []): ?Nearby
    {
        $runs = $these;
        $known = [];
        $open = array_fill_keys($ties, true);
        foreach ($these as $card) {
            $open += array_fill_keys($card->ties, true);
        }
        while ($open !== []) {
            $known += $open;
            $next = [];
            foreach (array_intersect_key($this->between, $open) as $others) {
                $next += array_fill_keys($others, true);
            }
            foreach ($this->cards->with(OnCard::Ties, self::texts($open), $this->most + 1) as $run => $card) {
                $next += isset($runs[$run]) ? [] : array_fill_keys($card->ties, true);
                $runs[$run] ??= $card;
            }
            if (count($runs) > $this->most) {
                return null;
            }
            $open = array_diff_key($next, $known);
        }
        $rim = array_diff_key($this->cards->with(OnCard::Beside, self::beside($runs), 2 * $this->most + 1), $runs);

        return count($rim) > $this->most ? null : new Nearby($runs, $rim, self::texts($known));
    }

    /**
     * Whose cards may say something else when these are edited: runs that carry an edited circuit hang together by what
     * feeds it.
     *
     * @param  list<string>  $runs
     * @param  list<string>  $ties  of what is edited besides
     * @param  list<string>  $ways  that are edited
     * @param  list<string>  $courses  for which other ways than before may be found: {@see WaysTaken}
     * @return ?array<int|string, RunCard> by run
     */
    public function edited(array $runs, array $ties, array $ways = [], array $courses = []): ?array
    {
        $circuits = array_filter($ties, static fn (string $tie): bool => TieName::circuitNamed($tie) !== null);
        $cards = $this->cards->of($runs) +
            $this->cards->with(OnCard::Ties, array_values($circuits), $this->most + 1) +
            $this->cards->with(OnCard::Ways, $ways, $this->most + 1) +
            $this->cards->with(OnCard::Course, $courses, $this->most + 1);

        return count($cards) > $this->most ? null : $cards;
    }

    /**
     * All about which something may follow otherwise, before and after.
     *
     * @param  list<string>  $ties  of what is edited besides
     * @param  ?list<string>  $moved  of those that lie with some of them, the ones that lie otherwise since; null: any
     */
    public function changing(Shift $shift, array $ties, ?array $moved = null): ?Nearby
    {
        [$was, $is] = [$shift->was, $shift->is];
        foreach ([...array_values($was), ...array_values($is)] as $card) {
            array_push($ties, ...$card->ties);
        }
        $beside = [...self::beside($was), ...self::beside($is)];
        $these = $was + $is +
            ($moved === null
                ? $this->cards->with(OnCard::Beside, array_values(array_unique($beside)), $this->most + 1)
                : $this->cards->of($moved)) +
            $this->cards->with(OnCard::Code, $shift->codes(), $this->most + 1) +
            $this->cards->with(OnCard::Labels, $shift->labels(), $this->most + 1) +
            $this->cards->with(OnCard::Says, $shift->turned, $this->most + 1);

        return count($these) > $this->most ? null : $this->around($these, $ties);
    }

    /**
     * @param  array<int|string, RunCard>  $cards
     * @return list<string>
     */
    private static function beside(array $cards): array
    {
        $beside = [];
        foreach ($cards as $card) {
            $beside += array_fill_keys($card->beside, true);
        }

        return self::texts($beside);
    }

    /**
     * @param  array<array-key, mixed>  $keys
     * @return list<string>
     */
    private static function texts(array $keys): array
    {
        return array_map(strval(...), array_keys($keys));
    }
}
