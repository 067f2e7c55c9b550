<?php

declare(strict_types=1);

namespace App\Contract;

use RuntimeException;

/** Why nothing was written, in our words, in the one shape that refusals have. */
final class Refusal extends RuntimeException
{
    /** @param  array<string, mixed>  $more  what stands beside the message */
    private function __construct(string $words, public readonly int $status, public readonly array $more)
    {
        parent::__construct($words);
    }

    /** Something is wrong with one field. */
    public static function of(string $field, string $words): self
    {
        return new self($words, 422, ['errors' => [$field => [$words]]]);
    }

    /**
     * Somebody else was first.
     *
     * @param  array<string, mixed>  $yours
     * @param  ?array<string, mixed>  $theirs  null: there is nothing any more
     * @param  ?int  $version  of what stands now, where the same can be sent once more on it
     */
    public static function late(string $words, array $yours, ?array $theirs, ?int $version = null): self
    {
        $on = $version === null ? [] : ['version' => $version];

        return new self($words, 409, ['yours' => $yours, 'theirs' => $theirs, ...$on]);
    }

    /**
     * @param  non-empty-list<array{sheet?: string, row: int, column: string, value: string, remedy: string}>  $problems
     */
    public static function rows(string $words, array $problems): self
    {
        return new self($words, 422, ['problems' => $problems]);
    }
}
