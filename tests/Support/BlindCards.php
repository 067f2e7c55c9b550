<?php

declare(strict_types=1);

namespace Tests\Support;

use Sartal\Core\Plan\Near\Cards;
use Sartal\Core\Plan\Near\OnCard;

/** Cards on which one kind of what stands there is not found. */
final readonly class BlindCards implements Cards
{
    public function __construct(private Cards $cards, private OnCard|string $hidden)
    {
    }

    public function of(array $runs): array
    {
        return $this->cards->of($runs);
    }

    public function with(OnCard $what, array $values, int $most): array
    {
        return $what === $this->hidden ? [] : $this->cards->with($what, $values, $most);
    }

    public function said(array $texts, array $but): array
    {
        return $this->hidden === 'said' ? [] : $this->cards->said($texts, $but);
    }

    public function cables(array $ways, array $but): array
    {
        return $this->hidden === 'cables' ? [] : $this->cards->cables($ways, $but);
    }

    public function courses(): array
    {
        return $this->hidden === 'courses' ? [] : $this->cards->courses();
    }

    public function lying(): array
    {
        return $this->cards->lying();
    }
}
