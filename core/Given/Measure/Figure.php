<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/** A number that is not a length, together with how it came about. */
final readonly class Figure
{
    /** @param  list<FigureTerm>  $terms */
    public function __construct(
        public float $value,
        public string $unit,
        public array $terms,
        public int $digits = 1,
    ) {
    }

    public function text(): string
    {
        return self::amount($this->value, $this->unit, $this->digits);
    }

    /** A number with its unit, without zeros that say nothing. */
    public static function amount(float $value, string $unit, int $digits = 1): string
    {
        $number = number_format($value, $digits, '.', '');
        if (str_contains($number, '.')) {
            $number = rtrim(rtrim($number, '0'), '.');
        }

        return ($number === '-0' ? '0' : $number).($unit === '' ? '' : ' '.$unit);
    }
}
