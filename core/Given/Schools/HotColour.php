<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum HotColour: string implements School
{
    case Coloured = 'coloured';
    case White = 'white';
    case Red = 'red';
    case AsListed = 'as-listed';

    public static function key(): string
    {
        return 'hotColour';
    }

    public static function question(): string
    {
        return 'Which core of an audio pair is hot?';
    }

    public static function usual(): static
    {
        return self::Coloured;
    }

    public static function latitude(): Latitude
    {
        return Latitude::Group;
    }

    public static function reason(): string
    {
        return 'One rule for every cable type, so that two people colour the two ends alike.';
    }

    public function words(): string
    {
        return match ($this) {
            self::Coloured => 'the coloured core before clear or white, red before black',
            self::White => 'the white or clear core',
            self::Red => 'the red core; any other is cold',
            self::AsListed => 'the first core that the cable type lists',
        };
    }

    /**
     * Whether the second core is hot instead of the first.
     *
     * @param  string  $first  colour of the core that the cable type lists first
     */
    public function turns(string $first, string $second): bool
    {
        return match ($this) {
            self::AsListed => false,
            self::Red => $second === 'red' && $first !== 'red',
            self::White => self::isPlain($second) && ! self::isPlain($first),
            self::Coloured => (self::isPlain($first) && ! self::isPlain($second)) ||
                ($second === 'red' && $first === 'black'),
        };
    }

    private static function isPlain(string $colour): bool
    {
        return $colour === 'white' || $colour === 'clear';
    }
}
