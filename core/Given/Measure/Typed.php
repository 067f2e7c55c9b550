<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * What people type and paste, in the few signs that a grammar is written in: digits of every script that people count
 * in, typographic marks of feet and inches, fractions that are one sign, and the several signs that look like a minus.
 */
final class Typed
{
    /**
     * The nought of each script whose digits are read; its nine others follow it. Unicode, general category Nd: Arabic,
     * Persian, N’Ko, Devanagari, Bengali, Gurmukhi, Gujarati, Odia, Tamil, Telugu, Kannada, Malayalam, Sinhala, Thai,
     * Lao, Tibetan, Myanmar, Khmer, Mongolian. Full-width signs are read with their whole block.
     */
    private const NOUGHTS = [
        0x0660, 0x06F0, 0x07C0, 0x0966, 0x09E6, 0x0A66, 0x0AE6, 0x0B66, 0x0BE6, 0x0C66, 0x0CE6, 0x0D66, 0x0DE6, 0x0E50,
        0x0ED0, 0x0F20, 0x1040, 0x17E0, 0x1810,
    ];

    private const SIGNS = [
        '½' => ' 1/2 ', '⅓' => ' 1/3 ', '⅔' => ' 2/3 ', '¼' => ' 1/4 ', '¾' => ' 3/4 ', '⅕' => ' 1/5 ', '⅖' => ' 2/5 ',
        '⅗' => ' 3/5 ', '⅘' => ' 4/5 ', '⅙' => ' 1/6 ', '⅚' => ' 5/6 ', '⅐' => ' 1/7 ', '⅛' => ' 1/8 ', '⅜' => ' 3/8 ',
        '⅝' => ' 5/8 ', '⅞' => ' 7/8 ', '⅑' => ' 1/9 ', '⅒' => ' 1/10 ',
        // Fraction slash, division slash.
        "\u{2044}" => '/', "\u{2215}" => '/',
        // Prime, right and left single quotation mark, acute accent; the same doubled.
        "\u{2032}" => "'", "\u{2019}" => "'", "\u{2018}" => "'", "\u{00b4}" => "'",
        "\u{2033}" => '"', "\u{201d}" => '"', "\u{201c}" => '"',
        // Minus, hyphen, hyphen that does not break, en dash.
        "\u{2212}" => '-', "\u{2010}" => '-', "\u{2011}" => '-', "\u{2013}" => '-',
        // Arabic decimal separator.
        "\u{066b}" => '.',
    ];

    /** @return string without blanks at either end, one blank where there were several, small letters */
    public static function plain(string $text): string
    {
        $plain = (string) preg_replace_callback('~[\x{ff01}-\x{ff5e}]|\p{Nd}~u', self::sign(...), $text);
        $plain = str_replace("''", '"', strtr($plain, self::SIGNS));

        $blanks = '~[\s\x{00a0}\x{2007}\x{2009}\x{202f}\x{3000}]+~u';

        return mb_strtolower(trim((string) preg_replace($blanks, ' ', $plain)));
    }

    /** @param  array<array-key, string>  $found */
    private static function sign(array $found): string
    {
        $code = mb_ord($found[0]);
        if ($code >= 0xFF01 && $code <= 0xFF5E) {
            return mb_chr($code - 0xFEE0);
        }
        foreach (self::NOUGHTS as $nought) {
            if ($code >= $nought && $code < $nought + 10) {
                return (string) ($code - $nought);
            }
        }

        // Of a script that nobody here can check: it stays, and is refused.
        return $found[0];
    }
}
