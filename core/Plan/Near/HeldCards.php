<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Ways\Routing\Router;

/** Cards of an installation that is in hand as a whole. */
final class HeldCards implements Cards
{
    /** @var array<string, array<array-key, array<int|string, true>>> what → value → runs */
    private array $found = [];

    /** @param  array<int|string, RunCard>  $cards  by run, in the installation's order */
    public function __construct(public readonly array $cards)
    {
        foreach ($cards as $card) {
            foreach (OnCard::cases() as $what) {
                foreach (self::values($card, $what) as $value) {
                    $this->found[$what->value][$value][$card->run] = true;
                }
            }
        }
    }

    public static function from(Installation $in): self
    {
        $router = new Router($in);
        $cards = [];
        foreach ($in->runs() as $id => $run) {
            $cards[$id] = RunCard::of($run, $in, $router->route($run), count($cards));
        }

        return new self($cards);
    }

    public function of(array $runs): array
    {
        return array_intersect_key($this->cards, array_flip($runs));
    }

    public function with(OnCard $what, array $values, int $most): array
    {
        $runs = [];
        foreach ($values as $value) {
            $runs += $this->found[$what->value][$value] ?? [];
        }

        return array_slice(array_intersect_key($this->cards, $runs), 0, $most, true);
    }

    public function said(array $texts, array $but): array
    {
        $but = array_flip($but);
        $said = $this->found[OnCard::Says->value] ?? [];

        return array_values(
            array_filter($texts, static fn (string $text): bool => array_diff_key($said[$text] ?? [], $but) !== []),
        );
    }

    public function cables(array $ways, array $but): array
    {
        $cables = [];
        foreach (array_diff_key($this->cards, array_flip($but)) as $card) {
            foreach ($card->cable === '' ? [] : array_intersect($card->ways, $ways) as $way) {
                $cables[$way][$card->cable] = ($cables[$way][$card->cable] ?? 0) + 1;
            }
        }

        return $cables;
    }

    public function courses(): array
    {
        $courses = [];
        foreach ($this->cards as $card) {
            $courses += $card->pinned || $card->course === '' ? [] : [$card->course => $card->reach];
        }

        return $courses;
    }

    public function lying(): array
    {
        return array_map(
            static fn (RunCard $card): ?Run => Lying::run(
                $card->run,
                $card->code,
                $card->cable,
                $card->course,
                $card->pinned ? $card->ways : [],
            ),
            $this->cards,
        );
    }

    /** @return list<string> */
    private static function values(RunCard $card, OnCard $what): array
    {
        return match ($what) {
            OnCard::Code => $card->code === '' ? [] : [$card->code],
            OnCard::Ties => $card->ties,
            OnCard::Beside => $card->beside,
            OnCard::Says => $card->says,
            OnCard::Labels => $card->labels,
            OnCard::Ways => $card->ways,
            OnCard::Course => $card->course === '' ? [] : [$card->course],
        };
    }
}
