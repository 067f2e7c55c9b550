<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Labelling;

use Sartal\Core\Given\Schools\LabelTurn;

/** A text that reads as another one upside down, as it is printed so that nobody takes it for that. */
final readonly class Marked
{
    private const DIGITS = ['NULL', 'ONE', 'TWO', 'THREE', 'FOUR', 'FIVE', 'SIX', 'SEVEN', 'EIGHT', 'NINE'];

    /** As letters are said over a radio: ITU Radio Regulations, appendix 14; ICAO annex 10. */
    private const LETTERS = [
        'ALFA', 'BRAVO', 'CHARLIE', 'DELTA', 'ECHO', 'FOXTROT', 'GOLF', 'HOTEL', 'INDIA', 'JULIETT', 'KILO', 'LIMA',
        'MIKE', 'NOVEMBER', 'OSCAR', 'PAPA', 'QUEBEC', 'ROMEO', 'SIERRA', 'TANGO', 'UNIFORM', 'VICTOR', 'WHISKEY',
        'XRAY', 'YANKEE', 'ZULU',
    ];

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

    /**
     * Digit by digit, as it is said over a radio. Letters stay, unless there is no digit: turned, they would again be
     * letters.
     */
    private static function words(string $text): string
    {
        $hasDigits = preg_match('~[0-9]~', $text) === 1;
        $words = [];
        foreach (mb_str_split($text) as $character) {
            $words[] = match (true) {
                ctype_digit($character) => self::DIGITS[(int) $character],
                $hasDigits || ! ctype_alpha($character) => $character,
                default => self::LETTERS[ord(strtoupper($character)) - ord('A')],
            };
        }

        return implode(' ', $words);
    }
}
