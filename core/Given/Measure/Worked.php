<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * A length together with the sum that led to it. The terms add up to the
 * exact value; the result is that value after rounding.
 */
final readonly class Worked
{
    /** @param  list<Term>  $terms */
    private function __construct(
        public Length $result,
        public Length $exact,
        public string $rounding,
        public array $terms,
    ) {
    }

    /**
     * A sum that is used as it is.
     *
     * @param  list<Term>  $terms
     *
     * @throws InvalidMeasure when the sum is beyond 100 km
     */
    public static function sum(array $terms): self
    {
        $exact = self::total($terms);

        return new self($exact, $exact, 'not rounded', $terms);
    }

    /**
     * @param  list<Term>  $terms
     *
     * @throws InvalidMeasure when the step is nothing or less
     */
    public static function roundedUp(array $terms, Length $step): self
    {
        $exact = self::total($terms);

        return new self($exact->roundedUpTo($step), $exact, 'up to the next '.$step->canonical(), $terms);
    }

    /** @param  list<Term>  $terms */
    private static function total(array $terms): Length
    {
        $total = Length::zero();
        foreach ($terms as $term) {
            $total = $total->plus($term->amount);
        }

        return $total;
    }
}
