<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Labelling;

/**
 * What a printed text becomes when its label is read upside down. Digits and letters that turn into something readable
 * in the sans-serif fonts that labels are printed in: common practice.
 */
final class Rotation
{
    private const TURNED = [
        '0' => '0',
        '1' => '1',
        '6' => '9',
        '8' => '8',
        '9' => '6',
        'H' => 'H',
        'I' => 'I',
        'N' => 'N',
        'O' => 'O',
        'S' => 'S',
        'X' => 'X',
        'Z' => 'Z',
        'M' => 'W',
        'W' => 'M',
        'b' => 'q',
        'q' => 'b',
        'd' => 'p',
        'p' => 'd',
        'n' => 'u',
        'u' => 'n',
        'm' => 'w',
        'w' => 'm',
        'l' => 'l',
        'o' => 'o',
        's' => 's',
        'x' => 'x',
        'z' => 'z',
        '-' => '-',
        '.' => '.',
        ' ' => ' ',
        '/' => '/',
        ':' => ':',
        '+' => '+',
        '=' => '=',
        '|' => '|',
        '(' => ')',
        ')' => '(',
        '[' => ']',
        ']' => '[',
        '<' => '>',
        '>' => '<',
        '→' => '←',
        '←' => '→',
    ];

    /** Null where a character is unreadable upside down: then nobody takes it for another text. */
    public static function read(string $text): ?string
    {
        $turned = '';
        foreach (mb_str_split($text) as $character) {
            if (! isset(self::TURNED[$character])) {
                return null;
            }
            $turned = self::TURNED[$character].$turned;
        }

        return $turned;
    }

    /**
     * Texts that turn into another one in use.
     *
     * @param  iterable<string>  $printed  everything printed, once or more often
     * @return array<array-key, string> text → what it turns into
     */
    public static function clashes(iterable $printed): array
    {
        $inUse = [];
        foreach ($printed as $text) {
            $inUse[$text] = true;
        }
        $clashes = [];
        foreach ($inUse as $text => $_) {
            $turned = self::read((string) $text);
            if ($turned !== null && $turned !== (string) $text && isset($inUse[$turned])) {
                $clashes[(string) $text] = $turned;
            }
        }

        return $clashes;
    }
}
