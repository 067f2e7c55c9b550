<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Labelling;

use Sartal\Core\Given\Schools\LabelTurn;

/** A text that reads as another one upside down, as it is printed so that nobody takes it for that. */
final readonly class Marked
{
    private const DIGITS = ['NULL', 'ONE', 'TWO', 'THREE', 'FOUR', 'FIVE', 'SIX', 'SEVEN', 'EIGHT', 'NINE'];

    /** Upside down it is no letter, so that the text cannot be read from the wrong side. */
    private const LEAD = 'T';

    private function __construct(public string $text, public bool $underlined, public string $word)
    {
    }

    public static function as(LabelTurn $rule, string $text): self
    {
        return match ($rule) {
            LabelTurn::Underline => new self($text, true, ''),
            LabelTurn::Word => new self($text, false, self::words($text)),
            LabelTurn::UnderlineAndWord => new self($text, true, self::words($text)),
            LabelTurn::LeadingLetter => new self(self::LEAD.$text, false, ''),
        };
    }

    /** Digit by digit, as it is said over a radio. */
    private static function words(string $text): string
    {
        $words = [];
        foreach (mb_str_split($text) as $character) {
            $words[] = ctype_digit($character) ? self::DIGITS[(int) $character] : $character;
        }

        return implode(' ', $words);
    }
}
