<?php

declare(strict_types=1);

namespace App\Recording;

use RuntimeException;
use Symfony\Component\HttpFoundation\Response;

/** Something at the bench cannot be recorded as the place stands; nothing of it was. */
final class Refused extends RuntimeException
{
    /** @param  array<int|string, mixed>  $more */
    private function __construct(string $words, public readonly int $status, public readonly array $more = [])
    {
        parent::__construct($words);
    }

    /** Somebody else was first. */
    public static function taken(string $place, string $words, string $by, string $at): self
    {
        return new self(
            sprintf(
                '%s, %s: %s has done this already. Yours is not recorded a second time.',
                $place,
                lcfirst($words),
                $by,
            ),
            Response::HTTP_CONFLICT,
            ['by' => $by, 'at' => $at],
        );
    }

    public static function early(string $words, string $why): self
    {
        return new self(sprintf('First: %s. %s', $words, $why), Response::HTTP_UNPROCESSABLE_ENTITY);
    }

    /**
     * Something else is stored under this id.
     *
     * @param  array<int|string, mixed>  $stored
     */
    public static function anotherOf(string $id, array $stored): self
    {
        return new self(
            'Another record has this id already, and it stays as it is. This one was not stored: record it again.',
            Response::HTTP_CONFLICT,
            ['id' => $id, 'stored' => $stored],
        );
    }

    public static function because(string $words): self
    {
        return new self($words, Response::HTTP_UNPROCESSABLE_ENTITY);
    }

    public static function held(string $reason, string $by): self
    {
        return new self(
            sprintf('The job is on hold: %s (%s). The lead or whoever stopped it lifts the hold.', $reason, $by),
            Response::HTTP_CONFLICT,
        );
    }

    public static function unlicensed(): self
    {
        return new self(
            'Mains: only a person licensed for it under local code confirms this. The lead keeps who that is under '.
                'Crew.',
            Response::HTTP_FORBIDDEN,
        );
    }
}
