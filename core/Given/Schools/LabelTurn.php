<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum LabelTurn: string implements School
{
    case UnderlineAndWord = 'underline-word';
    case Underline = 'underline';
    case Word = 'word';
    case LeadingLetter = 'leading-letter';

    public static function key(): string
    {
        return 'labelTurn';
    }

    public static function question(): string
    {
        return 'How is a text marked that reads as another one upside down?';
    }

    public static function usual(): static
    {
        return self::UnderlineAndWord;
    }

    public static function latitude(): Latitude
    {
        return Latitude::House;
    }

    public static function reason(): string
    {
        return 'A line shows which way up, and the word settles it over a radio.';
    }

    public function words(): string
    {
        return match ($this) {
            self::UnderlineAndWord => 'underlined, with the number in words',
            self::Underline => 'underlined',
            self::Word => 'with the number in words',
            self::LeadingLetter => 'with a leading letter',
        };
    }
}
