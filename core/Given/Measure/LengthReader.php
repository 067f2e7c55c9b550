<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * Reads a length that somebody typed. The grammar is in docs/formats.md; what can be read in two ways is asked
 * about, never guessed.
 */
final readonly class LengthReader
{
    /** nm; ISO 80000-3, and the international inch of 25.4 mm (1959) */
    private const UNITS = [
        'nm' => 1,
        'mm' => 1_000_000,
        'cm' => 10_000_000,
        'm' => 1_000_000_000,
        'km' => 1_000_000_000_000,
        'in' => 25_400_000,
        '"' => 25_400_000,
        'ft' => 304_800_000,
        "'" => 304_800_000,
    ];

    private const INCHES = ['in', '"'];

    /** What may follow one, shorter by a whole number. */
    private const SMALLER = [
        'km' => ['m'],
        'm' => ['cm', 'mm'],
        'cm' => ['mm'],
        'ft' => self::INCHES,
        "'" => self::INCHES,
    ];

    private const UNIT = '(?<unit>nm|mm|cm|km|m|in|ft|"|\')\.?';

    /** One way to write a number, or a fraction, or both. */
    private const AMOUNT = '(?:(?<number>[0-9][0-9 .,]*[0-9]|[0-9]|[.,][0-9]+)(?=[^0-9\/]|$))?'.
        '(?:[ -]*(?<over>[0-9]{1,6}) ?\/ ?(?<under>[0-9]{1,6}))?';

    /** nm: 100 km. */
    private const LIMIT = 100_000_000_000_000;

    private const DECIMALS = 9;

    private function __construct(private string $text)
    {
    }

    /**
     * @param  ?string  $bare  the unit of a bare number; null: there must be one
     *
     * @throws InvalidMeasure when it is no length, could be two, or is beyond 100 km
     */
    public static function read(string $text, ?string $bare = null): int
    {
        return (new self($text))->nanometres($bare);
    }

    /** @throws InvalidMeasure */
    private function nanometres(?string $bare): int
    {
        // As files have it, many thousands of times.
        if (preg_match('~^(-?)([0-9]{1,8})(?:\.([0-9]{1,6}))? mm$~D', $this->text, $m) === 1) {
            $nanometres = (int) $m[2] * self::UNITS['mm'] + (int) str_pad($m[3] ?? '', 6, '0');

            return $m[1] === '' ? $nanometres : -$nanometres;
        }
        if (! mb_check_encoding($this->text, 'UTF-8')) {
            throw InvalidMeasure::length(mb_scrub($this->text));
        }
        $rest = Typed::plain($this->text);
        $sign = 1;
        if (str_starts_with($rest, '-')) {
            $sign = -1;
            $rest = ltrim(substr($rest, 1));
        }
        if ($bare !== null && preg_match('~^[0-9.,\'/ -]*[0-9]$~', $rest) === 1) {
            $rest .= ' '.$bare;
        }
        $this->refuseMarkOfThousands($rest);
        [$first, $rest] = $this->part($rest);
        $total = $first['nm'];
        if ($rest !== '') {
            [$second, $left] = $this->part(ltrim($rest, '- '));
            $follows = in_array($second['unit'], self::SMALLER[$first['unit']] ?? [], true);
            if ($left !== '' || ! $follows || ! $first['isWhole'] || $second['nm'] >= self::UNITS[$first['unit']]) {
                throw InvalidMeasure::length($this->text);
            }
            $total += $second['nm'];
        }
        if ($total > self::LIMIT) {
            throw InvalidMeasure::beyondRange($this->text);
        }

        return $sign * $total;
    }

    /**
     * @return array{array{nm: int, unit: string, isWhole: bool}, string} one amount with its unit; what comes after it
     *
     * @throws InvalidMeasure
     */
    private function part(string $rest): array
    {
        $matched = preg_match('~^'.self::AMOUNT.' ?'.self::UNIT.'(?<after>.*)$~', $rest, $m);
        if ($matched !== 1 || ($m['number'] === '' && $m['over'] === '')) {
            throw InvalidMeasure::length($this->text);
        }
        $unit = self::UNITS[$m['unit']];
        [$whole, $decimals] = $m['number'] === '' ? ['', ''] : $this->number($m['number'], $m['unit']);
        if (($decimals !== '' && $m['over'] !== '') || (int) $m['under'] === 0 && $m['over'] !== '') {
            throw InvalidMeasure::length($this->text);
        }
        [$over, $under] = $m['over'] === '' ? [0, 1] : [(int) $m['over'], (int) $m['under']];
        if ((float) $whole * $unit + ($over / $under) * $unit > self::LIMIT) {
            throw InvalidMeasure::beyondRange($this->text);
        }

        return [
            [
                'nm' => (int) $whole * $unit + self::decimals($decimals, $unit) + (int) round(($over * $unit) / $under),
                'unit' => $m['unit'],
                'isWhole' => $decimals === '' && $m['over'] === '',
            ],
            ltrim($m['after']),
        ];
    }

    /**
     * Digits before and after the point. A comma is a point, as most of the world writes it, but where three digits
     * follow it may part thousands as well; groups of three that blanks part are thousands.
     *
     * @return array{string, string}
     *
     * @throws InvalidMeasure
     */
    private function number(string $text, string $unit): array
    {
        $digits = match (true) {
            preg_match('~^[1-9][0-9]{0,2},[0-9]{3}$~', $text) === 1 => throw InvalidMeasure::ambiguous(
                $this->text,
                str_replace(',', '.', $text).' '.$unit,
                str_replace(',', '', $text).' '.$unit,
            ),
            // Parted by commas more than once, or by commas and a point: thousands.
            preg_match('~^[0-9]{1,3}(,[0-9]{3}){2,}$|^[0-9]{1,3}(,[0-9]{3})+\.[0-9]+$~', $text) === 1 => str_replace(
                ',',
                '',
                $text,
            ),
            preg_match('~^[0-9]{1,3}(\.[0-9]{3}){2,}$|^[0-9]{1,3}(\.[0-9]{3})+,[0-9]+$~', $text) === 1 => str_replace(
                ['.', ','],
                ['', '.'],
                $text,
            ),
            preg_match('~^[0-9]{1,3}( [0-9]{3})+([.,][0-9]+)?$~', $text) === 1 => str_replace(
                [' ', ','],
                ['', '.'],
                $text,
            ),
            preg_match('~^[0-9]*[.,]?[0-9]+$~', $text) === 1 => str_replace(',', '.', $text),
            default => throw InvalidMeasure::length($this->text),
        };
        [$whole, $decimals] = array_pad(explode('.', $digits, 2), 2, '');
        if (strlen($whole) > 15) {
            throw InvalidMeasure::beyondRange($this->text);
        }
        if (strlen($decimals) > self::DECIMALS) {
            throw InvalidMeasure::decimals($this->text, self::DECIMALS);
        }

        return [$whole, $decimals];
    }

    /** @throws InvalidMeasure */
    private function refuseMarkOfThousands(string $rest): void
    {
        // 1'000 m is a thousand metres, or a foot and nothing; both are written so.
        if (preg_match('~^([0-9]{1,3})\'([0-9]{3}) ?([a-z]+)~', $rest, $m) === 1) {
            throw InvalidMeasure::ambiguous($this->text, $m[1].$m[2].' '.$m[3], $m[1].' ft');
        }
    }

    /** The digits after the point, in nanometres, without leaving the integers. */
    private static function decimals(string $digits, int $unit): int
    {
        $billionths = (int) str_pad($digits, self::DECIMALS, '0');

        return $unit % 1_000_000_000 === 0
            ? $billionths * intdiv($unit, 1_000_000_000)
            : intdiv($billionths * $unit + 500_000_000, 1_000_000_000);
    }
}
