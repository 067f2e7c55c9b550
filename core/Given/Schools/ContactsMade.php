<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum ContactsMade: string implements School
{
    case AsMade = 'as-made';
    case SolderAll = 'solder';

    public static function key(): string
    {
        return 'contactsMade';
    }

    public static function question(): string
    {
        return 'How are loose contacts joined?';
    }

    public static function usual(): static
    {
        return self::AsMade;
    }

    public static function latitude(): Latitude
    {
        return Latitude::Group;
    }

    public static function reason(): string
    {
        return 'A crimp made with its own die is gas-tight and needs no iron; a cup is made for solder.';
    }

    public function words(): string
    {
        return match ($this) {
            self::AsMade => 'crimp loose contacts, solder cups',
            self::SolderAll => 'solder loose contacts too',
        };
    }
}
