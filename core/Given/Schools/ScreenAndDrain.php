<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum ScreenAndDrain: string implements School
{
    case DrainAlone = 'drain-alone';
    case Together = 'together';

    public static function key(): string
    {
        return 'screenAndDrain';
    }

    public static function question(): string
    {
        return 'What is joined where a drain lies against a screen?';
    }

    public static function usual(): static
    {
        return self::DrainAlone;
    }

    public static function latitude(): Latitude
    {
        return Latitude::Group;
    }

    public static function reason(): string
    {
        return 'They touch all along the cable, so the drain alone carries as well and fits the cup.';
    }

    public function words(): string
    {
        return match ($this) {
            self::DrainAlone => 'the drain alone',
            self::Together => 'both, twisted together',
        };
    }
}
