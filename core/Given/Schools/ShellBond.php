<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum ShellBond: string implements School
{
    case Free = 'free';
    case Bonded = 'bonded';
    case OneEnd = 'one-end';

    public static function key(): string
    {
        return 'shell';
    }

    public static function question(): string
    {
        return 'What becomes of the shell of a 3-pole connector, and of the far screen?';
    }

    public static function usual(): static
    {
        return self::Free;
    }

    public static function latitude(): Latitude
    {
        return Latitude::Group;
    }

    public static function reason(): string
    {
        return 'A bonded shell defeats a ground lift and closes hum loops through the chassis.';
    }

    public function words(): string
    {
        return match ($this) {
            self::Free => 'screen on contact 1, shell left free',
            self::Bonded => 'screen on contact 1 and on the shell lug',
            self::OneEnd => 'screen open at the far end (B), shell free',
        };
    }
}
