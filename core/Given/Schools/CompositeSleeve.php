<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum CompositeSleeve: string implements School
{
    case Whole = 'whole';
    case None = 'none';

    public static function key(): string
    {
        return 'compositeSleeve';
    }

    public static function question(): string
    {
        return 'Is mains and signal in one sheath sleeved?';
    }

    public static function usual(): static
    {
        return self::Whole;
    }

    public static function latitude(): Latitude
    {
        return Latitude::Group;
    }

    public static function reason(): string
    {
        return 'Such a cable is carried and trodden on: sleeving takes the wear, and holds the signal leg together. '.
            'What lies in a building for good can do without.';
    }

    public function words(): string
    {
        return match ($this) {
            self::Whole => 'all along, and the signal leg by itself',
            self::None => 'no',
        };
    }
}
