<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum SecondEnd: string implements School
{
    case Whole = 'whole';
    case Together = 'together';

    public static function key(): string
    {
        return 'secondEnd';
    }

    public static function question(): string
    {
        return 'When is the second end made?';
    }

    public static function usual(): static
    {
        return self::Whole;
    }

    public static function latitude(): Latitude
    {
        return Latitude::House;
    }

    public static function reason(): string
    {
        return 'An end that is finished is inspected at once, and nothing half-made lies about.';
    }

    public function words(): string
    {
        return match ($this) {
            self::Whole => 'after the first is finished',
            self::Together => 'both prepared first, then both joined',
        };
    }
}
