<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

enum Gender: string
{
    case Male = 'male';
    case Female = 'female';
    case Neutral = 'neutral';

    public function faces(self $other): bool
    {
        return match ($this) {
            self::Male => $other === self::Female,
            self::Female => $other === self::Male,
            self::Neutral => $other === self::Neutral,
        };
    }
}
