<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum LengthPractice: string implements School
{
    case Measured = 'measured';
    case CutLong = 'cut-long';

    public static function key(): string
    {
        return 'lengthPractice';
    }

    public static function question(): string
    {
        return 'Are ends marked to length, or cut long and trimmed?';
    }

    public static function usual(): static
    {
        return self::Measured;
    }

    public static function latitude(): Latitude
    {
        return Latitude::Group;
    }

    public static function reason(): string
    {
        return 'A measured end wastes nothing; a stated allowance covers a slip of the blade.';
    }

    public function words(): string
    {
        return match ($this) {
            self::Measured => 'measured marks',
            self::CutLong => 'cut long by the trim allowance, trimmed at the connector',
        };
    }
}
