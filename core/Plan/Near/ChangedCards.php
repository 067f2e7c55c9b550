<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

/** Cards of an installation, some of which are changed. */
final readonly class ChangedCards implements Cards
{
    private HeldCards $is;

    /**
     * @param  array<int|string, RunCard>  $was  of those that are changed, by run
     * @param  array<int|string, RunCard>  $is  the same since, and those that are new
     */
    public function __construct(private Cards $cards, private array $was, array $is)
    {
        $this->is = new HeldCards($is);
    }

    public function of(array $runs): array
    {
        return $this->is->of($runs) + array_diff_key($this->cards->of($runs), $this->was);
    }

    public function with(OnCard $what, array $values, int $most): array
    {
        return $this->is->with($what, $values, $most) +
            array_diff_key($this->cards->with($what, $values, $most), $this->was);
    }

    public function said(array $texts, array $but): array
    {
        $changed = array_map(strval(...), array_keys($this->was));

        return array_values(
            array_unique([...$this->is->said($texts, $but), ...$this->cards->said($texts, [...$but, ...$changed])]),
        );
    }

    public function cables(array $ways, array $but): array
    {
        $changed = array_map(strval(...), array_keys($this->was));
        $cables = $this->cards->cables($ways, [...$but, ...$changed]);
        foreach ($this->is->cables($ways, $but) as $way => $of) {
            foreach ($of as $cable => $many) {
                $cables[$way][$cable] = ($cables[$way][$cable] ?? 0) + $many;
            }
        }

        return $cables;
    }

    public function courses(): array
    {
        return $this->is->courses() + $this->cards->courses();
    }

    public function lying(): array
    {
        $is = $this->is->lying();

        return array_diff_key(array_replace($this->cards->lying(), $is), array_diff_key($this->was, $is));
    }
}
