<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Ways\Routing\Router;

/** What cards say otherwise since some runs were edited. */
final readonly class Shift
{
    /**
     * @param  array<int|string, RunCard>  $was  of those that are edited, by run; without those that are new
     * @param  array<int|string, RunCard>  $is  the same since; without those that are gone
     * @param  array<array-key, string>  $clashes  texts of labels since → what they read upside down, of all
     * @param  list<string>  $turned  texts that are marked since, or are so no longer
     */
    private function __construct(public array $was, public array $is, public array $clashes, public array $turned)
    {
    }

    /**
     * Before it is known what they say since.
     *
     * @param  array<int|string, RunCard>  $was  by run
     */
    public static function of(array $was): self
    {
        return new self($was, [], [], []);
    }

    /**
     * @param  array<int|string, RunCard>  $was  by run
     * @param  list<string>  $runs  that are edited, those that are new among them
     * @param  array<array-key, string>  $clashes  texts of labels before → what they read upside down, of all
     * @param  Installation  $after  with them as they are since
     */
    public static function to(array $was, array $runs, array $clashes, Cards $cards, Installation $after): self
    {
        $router = new Router($after);
        $is = [];
        foreach ([...array_map(strval(...), array_keys($was)), ...$runs] as $id) {
            $run = $after->run($id);
            $place = $was[$id]->place ?? PHP_INT_MAX;
            $is += $run === null ? [] : [$id => RunCard::of($run, $after, $router->route($run), $place)];
        }
        $since = Clashes::after($clashes, $was, $is, $cards, Clashes::ports($after));

        return new self($was, $is, $since, Clashes::between($clashes, $since));
    }

    /** @return list<string> that are given, or free, since */
    public function codes(): array
    {
        $codes = [];
        foreach ($this->was + $this->is as $run => $_) {
            [$before, $after] = [$this->was[$run]->code ?? '', $this->is[$run]->code ?? ''];
            array_push($codes, ...$before === $after ? [] : array_filter([$before, $after]));
        }

        return array_values(array_unique($codes));
    }

    /** @return list<string> that are there more often, or less often, since */
    public function labels(): array
    {
        $labels = [];
        foreach ($this->was + $this->is as $run => $_) {
            $before = array_count_values($this->was[$run]->labels ?? []);
            $after = array_count_values($this->is[$run]->labels ?? []);
            $labels += array_diff_assoc($before, $after) + array_diff_assoc($after, $before);
        }

        return array_map(strval(...), array_keys($labels));
    }

    /**
     * What a part that was read of it has to know of the rest since.
     *
     * @param  Nearby  $near  of which it is
     * @param  Cards  $cards  before
     */
    public function beyond(Nearby $near, Cards $cards): Beyond
    {
        $part = array_diff_key($near->runs + $near->rim, $this->was) + $this->is;

        return Beyond::of($part, new ChangedCards($cards, $this->was, $this->is), $this->clashes);
    }

    /** @return array<int|string, RunCard> of those that are there no longer */
    public function gone(): array
    {
        return array_diff_key($this->was, $this->is);
    }

    /** By how much more is wrong with ways since, and not only noted. */
    public function wrongWays(Installation $before, Installation $after, Cards $cards): int
    {
        $ways = [];
        foreach ([...array_values($this->was), ...array_values($this->is)] as $card) {
            $ways += array_fill_keys($card->ways, true);
        }
        $ways = array_map(strval(...), array_keys($ways));
        $lie = static fn (RunCard $card): array => [$card->cable, $card->ways];
        // Where they lie as they did, what else lies there does not matter.
        $others = array_map($lie, $this->was) == array_map($lie, $this->is)
            ? []
            : $cards->cables($ways, array_map(strval(...), array_keys($this->was + $this->is)));

        return (new WrongWays($after))->count($ways, $others, $this->is) -
            (new WrongWays($before))->count($ways, $others, $this->was);
    }
}
