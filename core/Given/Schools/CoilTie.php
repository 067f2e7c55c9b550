<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum CoilTie: string implements School
{
    case None = 'none';
    case One = 'one';

    public static function key(): string
    {
        return 'coilTie';
    }

    public static function question(): string
    {
        return 'Does a cable that is made at the bench keep a tie of its own?';
    }

    public static function usual(): static
    {
        return self::None;
    }

    public static function latitude(): Latitude
    {
        return Latitude::Group;
    }

    public static function reason(): string
    {
        return 'What is pulled soon needs none; what is coiled again and again keeps one for as long as it is used.';
    }

    public function words(): string
    {
        return match ($this) {
            self::None => 'no',
            self::One => 'one that opens again, at its female end',
        };
    }
}
