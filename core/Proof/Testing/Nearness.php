<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/**
 * When a reading is the one expected, as near as a method can tell: the very
 * same, within a share of it, or in the same band. It travels with what is
 * expected, so that whoever compares needs to know nothing of the method.
 */
final readonly class Nearness
{
    /**
     * @param  list<float>  $bands  where one band ends and the next begins, rising
     */
    private function __construct(public ?float $share, public ?float $least, public array $bands)
    {
    }

    /** Words and points: the same, or not. */
    public static function exactly(): self
    {
        return new self(null, null, []);
    }

    /**
     * @param  float  $share  of what is expected
     * @param  float  $least  in the method's unit, what no instrument of the kind splits
     */
    public static function within(float $share, float $least): self
    {
        return new self($share, $least, []);
    }

    /** Two readings agree that lie between the same two of these: no meter repeats such a value. */
    public static function bands(float ...$ends): self
    {
        sort($ends);

        return new self(null, null, $ends);
    }

    /**
     * What cannot be foreseen (NAN) agrees with anything; beyond measure (INF)
     * only with itself, or with what lies in the highest band.
     *
     * @param  list<string>|float|string  $expected
     * @param  list<string>|float|string  $read
     */
    public function agree(array|float|string $expected, array|float|string $read): bool
    {
        if ((is_float($expected) && is_nan($expected)) || (is_float($read) && is_nan($read))) {
            return true;
        }
        if ($this->share === null && $this->bands === []) {
            return $expected === $read;
        }
        if (! is_float($expected) || ! is_float($read)) {
            return false;
        }
        if ($this->bands !== []) {
            return $this->band($expected) === $this->band($read);
        }

        return is_infinite($expected) || is_infinite($read)
            ? $expected === $read
            : abs($read - $expected) <= max($this->least ?? 0.0, ($this->share ?? 0.0) * $expected);
    }

    private function band(float $value): int
    {
        return count(array_filter($this->bands, static fn (float $end): bool => $value >= $end));
    }
}
