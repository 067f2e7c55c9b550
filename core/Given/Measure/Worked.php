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
        private ?Length $step = null,
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

        return new self($exact->roundedUpTo($step), $exact, 'up to the next '.$step->canonical(), $terms, $step);
    }

    /** The result as an edition reckoned it: without the terms that only later ones know. */
    public function known(Edition $edition): Length
    {
        return $this->reckonedBy($edition)->result;
    }

    /** The sum as an edition reckoned it. */
    public function reckonedBy(Edition $edition): self
    {
        $known = array_values(
            array_filter($this->terms, static fn (Term $term): bool => $term->since->value <= $edition->value),
        );

        return match (true) {
            count($known) === count($this->terms) => $this,
            $this->step === null => self::sum($known),
            default => self::roundedUp($known, $this->step),
        };
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
