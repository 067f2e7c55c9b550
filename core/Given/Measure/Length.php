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

    /** 100 km: anything longer is a slip of the keyboard. */
    private const LIMIT = 100_000_000_000_000;

    private function __construct(public int $nanometres)
    {
    }

    public static function zero(): self
    {
        /** @var ?self $zero one for all: most ends have no slack, no tail and no length of a leg */
        static $zero = null;

        return $zero ??= new self(0);
    }

    /** @throws InvalidMeasure when beyond 100 km */
    public static function nanometres(int $nanometres): self
    {
        if (abs($nanometres) > self::LIMIT) {
            throw InvalidMeasure::beyondRange($nanometres.' nm');
        }

        return $nanometres === 0 ? self::zero() : new self($nanometres);
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
     * Reads what people write: "12.4 m", "12,4 m", "940mm", "5'-6\"", "3 ft 6 ½ in". A bare number takes the unit
     * given, where there is one. See {@see LengthReader}.
     *
     * @throws InvalidMeasure when the text is not a length, could be two, or is beyond 100 km
     */
    public static function parse(string $text, ?string $bareUnit = null): self
    {
        return self::nanometres(LengthReader::read($text, $bareUnit));
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

    private static function rounded(float|int $nanometres, string $text): self
    {
        if (! is_finite((float) $nanometres) || abs($nanometres) > self::LIMIT) {
            throw InvalidMeasure::beyondRange($text);
        }

        return self::nanometres((int) round($nanometres));
    }
}
