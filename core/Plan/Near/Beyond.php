<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Ways\Routing\Route;
use Sartal\Core\Ways\Routing\Router;

/**
 * What a part of an installation has to know of the rest to say of its runs what the whole would say: which texts read
 * as another, and who else has a code or a label.
 */
final readonly class Beyond
{
    /**
     * @param  ?array<array-key, string>  $rotations  text → what it reads upside down, of the whole; null: it is whole
     * @param  array<array-key, list<string>>  $codes  code → runs of the rest
     * @param  array<array-key, list<RunCard>>  $labels  text → of the rest, as often as it is there
     * @param  array<int|string, int>  $places  runs of the part → place among all
     * @param  ?Rest  $rest  what else lies in ways; null: of ways nothing is known
     * @param  array<int|string, mixed>  $gone  by run, what is in it and there no longer
     */
    private function __construct(
        public ?array $rotations = null,
        private array $codes = [],
        private array $labels = [],
        private array $places = [],
        private ?Rest $rest = null,
        private array $gone = [],
    ) {
    }

    /** The installation is whole. */
    public static function nothing(): self
    {
        return new self();
    }

    /**
     * @param  array<int|string, RunCard>  $part  by run
     * @param  array<array-key, string>  $rotations  of the whole
     */
    public static function of(array $part, Cards $cards, array $rotations): self
    {
        $codes = $labels = $own = $said = [];
        foreach ($part as $card) {
            $own += $card->code === '' ? [] : [$card->code => true];
            $said += array_fill_keys($card->labels, true);
        }
        $found = static fn (OnCard $what, array $values): array => array_diff_key(
            $cards->with($what, array_map(strval(...), array_keys($values)), PHP_INT_MAX),
            $part,
        );
        foreach ($found(OnCard::Code, $own) as $card) {
            $codes[$card->code][] = $card->run;
        }
        foreach ($found(OnCard::Labels, $said) as $card) {
            foreach ($card->labels as $text) {
                $labels[$text][] = $card;
            }
        }

        return new self(
            $rotations,
            $codes,
            array_intersect_key($labels, $said),
            array_map(static fn (RunCard $card): int => $card->place, $part),
        );
    }

    /**
     * The same, where it is known what lies in ways.
     *
     * @param  array<int|string, mixed>  $gone  by run, what is there no longer
     */
    public function lying(Rest $rest, array $gone = []): self
    {
        return new self($this->rotations, $this->codes, $this->labels, $this->places, $rest, $gone);
    }

    /**
     * @param  array<int|string, Route>  $routes  of the part's runs
     * @return ?Lying null where of ways nothing is known
     */
    public function inWays(Installation $part, array $routes, Router $router): ?Lying
    {
        return $this->rest === null ? null : Lying::in($part, $routes, $router, $this->rest, $this->gone);
    }

    /** @return list<string> runs of the rest */
    public function coded(string $code): array
    {
        return $this->codes[$code] ?? [];
    }

    /** @return list<RunCard> of the rest, as often as it is on it */
    public function labelled(string $text): array
    {
        return $this->labels[$text] ?? [];
    }

    /** Whether one of the rest comes before a run of the part. */
    public function isBefore(RunCard $other, string $run): bool
    {
        return $other->place < ($this->places[$run] ?? PHP_INT_MAX);
    }
}
