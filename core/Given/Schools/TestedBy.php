<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum TestedBy: string implements School
{
    case Anybody = 'anybody';
    case Another = 'another';

    public static function key(): string
    {
        return 'testedBy';
    }

    public static function question(): string
    {
        return 'Who tests a cable?';
    }

    public static function usual(): static
    {
        return self::Anybody;
    }

    public static function latitude(): Latitude
    {
        return Latitude::House;
    }

    public static function reason(): string
    {
        return 'A small crew has no second person to spare; the map does not care who holds the lamp.';
    }

    public function words(): string
    {
        return match ($this) {
            self::Anybody => 'anybody who tests',
            self::Another => 'somebody who did not make its ends',
        };
    }
}
