<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Length;

/** Cuts that come off one piece of stock together: one, or a group. */
final readonly class Lot
{
    /** @param  non-empty-list<CutNeeded>  $needs */
    public function __construct(public array $needs)
    {
    }

    public function length(): Length
    {
        return Length::zero()->plus(...array_map(static fn (CutNeeded $need): Length => $need->length, $this->needs));
    }

    /** @return list<self> each cut by itself */
    public function singles(): array
    {
        return array_map(static fn (CutNeeded $need): self => new self([$need]), $this->needs);
    }

    /**
     * @param  list<self>  $lots
     * @return list<self>
     */
    public static function longestFirst(array $lots): array
    {
        usort(
            $lots,
            static fn (self $a, self $b): int => $b->length()->compare($a->length()) ?:
            $a->needs[0]->run <=> $b->needs[0]->run,
        );

        return $lots;
    }

    /**
     * @param  list<self>  $lots
     * @param  list<int>  $keys
     * @return list<self> those of the keys
     */
    public static function among(array $lots, array $keys): array
    {
        return array_map(static fn (int $key): self => $lots[$key], $keys);
    }
}
