<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/** What becomes of a flaw. */
enum Disposition: string
{
    case Accept = 'accept';
    case Rework = 'rework';
    case Remake = 'remake';

    public function words(): string
    {
        return match ($this) {
            self::Accept => 'leave it, noted',
            self::Rework => 'put it right now',
            self::Remake => 'make the end again',
        };
    }
}
