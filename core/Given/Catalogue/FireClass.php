<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/**
 * How a cable behaves in a fire, in classes that local codes can be mapped on:
 * each includes those before it. Which class a place needs is for local code to say.
 */
enum FireClass: string
{
    case Unrated = 'unrated';
    case General = 'general';
    case Riser = 'riser';
    case AirHandling = 'air-handling';

    public function meets(self $needed): bool
    {
        return $this->rank() >= $needed->rank();
    }

    private function rank(): int
    {
        return match ($this) {
            self::Unrated => 0,
            self::General => 1,
            self::Riser => 2,
            self::AirHandling => 3,
        };
    }
}
