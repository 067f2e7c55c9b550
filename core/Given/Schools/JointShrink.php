<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum JointShrink: string implements School
{
    case None = 'none';
    case Each = 'each';
    case ScreenOnly = 'screen';
    case WholeTail = 'whole-tail';

    public static function key(): string
    {
        return 'jointShrink';
    }

    public static function question(): string
    {
        return 'Which joints are covered with heat-shrink?';
    }

    public static function usual(): static
    {
        return self::None;
    }

    public static function latitude(): Latitude
    {
        return Latitude::End;
    }

    public static function reason(): string
    {
        return 'A joint that can be seen can be inspected later.';
    }

    public function words(): string
    {
        return match ($this) {
            self::None => 'none',
            self::Each => 'each joint',
            self::ScreenOnly => 'the screen alone',
            self::WholeTail => 'the whole tail, over everything',
        };
    }
}
