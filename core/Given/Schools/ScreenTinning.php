<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum ScreenTinning: string implements School
{
    case FirstHalf = 'first-half';
    case Full = 'full';

    public static function key(): string
    {
        return 'screenTinning';
    }

    public static function question(): string
    {
        return 'How much of a twisted screen is tinned?';
    }

    public static function usual(): static
    {
        return self::FirstHalf;
    }

    public static function latitude(): Latitude
    {
        return Latitude::End;
    }

    public static function reason(): string
    {
        return 'Solder that reaches the sheath makes a stiff place, and the screen breaks there.';
    }

    public function words(): string
    {
        return match ($this) {
            self::FirstHalf => 'the first half, from the tip',
            self::Full => 'all of it',
        };
    }
}
