<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

/** How a conductor's colour is drawn and written. The letters stand beside every swatch: IEC 60757. */
final class Colours
{
    private const HEX = [
        'brown' => '#7a4a28',
        'red' => '#b8302a',
        'orange' => '#d9772b',
        'yellow' => '#d9b12e',
        'green' => '#3d8b4f',
        'blue' => '#2f62a8',
        'violet' => '#7b4f9e',
        'grey' => '#8a8f8e',
        'white' => '#ffffff',
        'black' => '#23282a',
        'bare' => '#c98a55',
        'clear' => '#f3efe6',
        'pink' => '#e3a0b0',
        'turquoise' => '#3aa6a0',
    ];

    private const LETTERS = [
        'brown' => 'BN',
        'red' => 'RD',
        'orange' => 'OG',
        'yellow' => 'YE',
        'green' => 'GN',
        'blue' => 'BU',
        'violet' => 'VT',
        'grey' => 'GY',
        'white' => 'WH',
        'black' => 'BK',
        'bare' => 'bare',
        'clear' => 'CL',
        'pink' => 'PK',
        'turquoise' => 'TQ',
    ];

    public static function hex(string $name): string
    {
        return self::HEX[trim($name)] ?? '#cccccc';
    }

    /** "white/blue" → "WH/BU" */
    public static function letters(string $colour): string
    {
        return implode(
            '/',
            array_map(static fn (string $part): string => self::LETTERS[trim($part)] ?? $part, explode('/', $colour)),
        );
    }

    /** Light enough for a number to be read on it. */
    public static function tint(string $colour): string
    {
        $hex = self::hex((string) array_reverse(explode('/', $colour))[0]);
        $channels = array_map(
            static fn (int $at): int => (int) round(hexdec(substr($hex, $at, 2)) * 0.42 + 255 * 0.58),
            [1, 3, 5],
        );

        return vsprintf('#%02x%02x%02x', $channels);
    }
}
