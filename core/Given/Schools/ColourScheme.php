<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum ColourScheme: string implements School
{
    case A = 'A';
    case B = 'B';

    public static function key(): string
    {
        return 'colourScheme';
    }

    public static function question(): string
    {
        return 'Which colour scheme do four-pair connectors follow?';
    }

    public static function usual(): static
    {
        return self::B;
    }

    public static function latitude(): Latitude
    {
        return Latitude::House;
    }

    public static function reason(): string
    {
        return 'Both work; what counts is that the two ends agree. B is the commoner of the two.';
    }

    public function words(): string
    {
        return match ($this) {
            self::A => 'scheme A: green first',
            self::B => 'scheme B: orange first',
        };
    }
}
