<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum JoinOrder: string implements School
{
    case HardestFirst = 'hardest-first';
    case ScreenFirst = 'screen-first';
    case Across = 'across';

    public static function key(): string
    {
        return 'joinOrder';
    }

    public static function question(): string
    {
        return 'In which order are contacts joined?';
    }

    public static function usual(): static
    {
        return self::HardestFirst;
    }

    public static function latitude(): Latitude
    {
        return Latitude::End;
    }

    public static function reason(): string
    {
        return 'The joint that others would be in the way of is made while there is room.';
    }

    public function words(): string
    {
        return match ($this) {
            self::HardestFirst => 'the hardest to reach first',
            self::ScreenFirst => 'the screen first, then hot, then cold',
            self::Across => 'straight across, by place',
        };
    }
}
