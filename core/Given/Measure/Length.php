<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * A length as a whole number of nanometres, so that metric lengths and
 * fractions of an inch down to 1/64 in (396 875 nm) are both exact.
 */
final readonly class Length
{
    private const NM_PER_MM = 1_000_000;

    private const NM_PER_INCH = 25_400_000;

    /** 100 km: anything longer is a slip of the keyboard. */
    private const LIMIT = 100_000_000_000_000;

    private const UNITS = [
        'nm' => 1,
        'mm' => self::NM_PER_MM,
        'cm' => 10 * self::NM_PER_MM,
        'm' => 1000 * self::NM_PER_MM,
        'km' => 1_000_000 * self::NM_PER_MM,
        'in' => self::NM_PER_INCH,
        '"' => self::NM_PER_INCH,
        'ft' => 12 * self::NM_PER_INCH,
        "'" => 12 * self::NM_PER_INCH,
    ];

    private function __construct(public int $nanometres)
    {
    }

    public static function zero(): self
    {
        return new self(0);
    }

    /** @throws InvalidMeasure when beyond 100 km */
    public static function nanometres(int $nanometres): self
    {
        if (abs($nanometres) > self::LIMIT) {
            throw InvalidMeasure::beyondRange($nanometres.' nm');
        }

        return new self($nanometres);
    }

    /** @throws InvalidMeasure when beyond 100 km */
    public static function millimetres(float|int $millimetres): self
    {
        return self::rounded($millimetres * self::NM_PER_MM, $millimetres.' mm');
    }

    /** @throws InvalidMeasure when beyond 100 km */
    public static function metres(float|int $metres): self
    {
        return self::rounded($metres * 1000 * self::NM_PER_MM, $metres.' m');
    }

    /**
     * Reads "12.4 m", "12,4 m", "940mm", "3 ft 6 1/2 in", "1/64 in". A bare
     * number takes the unit given, where there is one.
     *
     * @throws InvalidMeasure when the text is not a length or beyond 100 km
     */
    public static function parse(string $text, ?string $bareUnit = null): self
    {
        $rest = mb_strtolower(trim(str_replace(["\u{2033}", "\u{2032}", "\u{00A0}"], ['"', "'", ' '], $text)));
        $sign = 1;
        if (str_starts_with($rest, '-')) {
            $sign = -1;
            $rest = ltrim(substr($rest, 1));
        }
        if ($bareUnit !== null && preg_match('~^\d+(?:[.,]\d+)?$~', $rest) === 1) {
            $rest .= ' '.$bareUnit;
        }
        $total = 0.0;
        $exact = 0;
        $parts = 0;
        while ($rest !== '') {
            $matched = preg_match(
                '~^(?:(?<whole>\d{1,15}(?:[.,]\d{1,9})?)(?:[ -]+(?=\d+/))?)?(?:(?<over>\d{1,6})/(?<under>\d{1,6}))?\s*(?<unit>nm|mm|cm|km|m|in|ft|"|\')\.?\s*~u',
                $rest,
                $m,
            );
            if ($matched !== 1 || ($m['whole'] === '' && $m['over'] === '')) {
                throw InvalidMeasure::length($text);
            }
            $unit = self::UNITS[$m['unit']];
            [$whole, $fraction] = array_pad(explode('.', str_replace(',', '.', $m['whole'])), 2, '');
            $over = (int) $m['over'];
            $under = $m['under'] === '' ? 1 : (int) $m['under'];
            if ($under === 0) {
                throw InvalidMeasure::length($text);
            }
            $total += ((float) $whole + (float) ('0.'.$fraction) + $over / $under) * $unit;
            if ($total > self::LIMIT) {
                throw InvalidMeasure::beyondRange($text);
            }
            // Whole part and decimals apart: integers stay exact well past a float's 53 bits.
            $exact += (int) $whole * $unit + self::decimals($fraction, $unit) + (int) round(($over * $unit) / $under);
            $rest = substr($rest, strlen($m[0]));
            if (++$parts > 2) {
                throw InvalidMeasure::length($text);
            }
        }
        if ($parts === 0) {
            throw InvalidMeasure::length($text);
        }

        return new self($sign * $exact);
    }

    public function plus(self ...$others): self
    {
        $sum = $this->nanometres;
        foreach ($others as $other) {
            $sum += $other->nanometres;
        }

        return self::nanometres($sum);
    }

    public function minus(self $other): self
    {
        return self::nanometres($this->nanometres - $other->nanometres);
    }

    public function times(float|int $factor): self
    {
        return self::rounded($this->nanometres * $factor, 'the product');
    }

    /**
     * Up to the next whole step: what is cut is never shorter than what was worked out.
     *
     * @throws InvalidMeasure when the step is nothing or less
     */
    public function roundedUpTo(self $step): self
    {
        if ($step->nanometres <= 0) {
            throw InvalidMeasure::step();
        }
        $over = (($this->nanometres % $step->nanometres) + $step->nanometres) % $step->nanometres;

        return $over === 0 ? $this : self::nanometres($this->nanometres + $step->nanometres - $over);
    }

    public function isNegative(): bool
    {
        return $this->nanometres < 0;
    }

    public function isZero(): bool
    {
        return $this->nanometres === 0;
    }

    public function compare(self $other): int
    {
        return $this->nanometres <=> $other->nanometres;
    }

    public function inMetres(): float
    {
        return $this->nanometres / 1_000_000_000;
    }

    public function inMillimetres(): float
    {
        return $this->nanometres / self::NM_PER_MM;
    }

    /** The one canonical spelling, for files: exact millimetres. */
    public function canonical(): string
    {
        $digits = str_pad((string) abs($this->nanometres), 7, '0', STR_PAD_LEFT);
        $fraction = rtrim(substr($digits, -6), '0');

        return ($this->nanometres < 0 ? '-' : '').
            substr($digits, 0, -6).
            ($fraction === '' ? '' : '.'.$fraction).
            ' mm';
    }

    /** The digits after the point, in nanometres, without leaving the integers. */
    private static function decimals(string $digits, int $unit): int
    {
        $billionths = (int) str_pad($digits, 9, '0');

        return $unit % 1_000_000_000 === 0
            ? $billionths * intdiv($unit, 1_000_000_000)
            : intdiv($billionths * $unit + 500_000_000, 1_000_000_000);
    }

    private static function rounded(float|int $nanometres, string $text): self
    {
        if (! is_finite((float) $nanometres) || abs($nanometres) > self::LIMIT) {
            throw InvalidMeasure::beyondRange($text);
        }

        return new self((int) round($nanometres));
    }
}
