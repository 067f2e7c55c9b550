<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/** How near a number has to be to the one expected: a share of it, and what no meter of the kind splits. */
final readonly class Tolerance
{
    public function __construct(private float $share, private float $least)
    {
    }

    /**
     * What cannot be foreseen (NAN) agrees with anything; beyond measure (INF) only with itself.
     *
     * @param  list<string>|float|string  $expected
     * @param  list<string>|float|string  $read
     */
    public function agrees(array|float|string $expected, array|float|string $read): bool
    {
        if (! is_float($expected) || ! is_float($read)) {
            return false;
        }
        if (is_nan($expected) || is_nan($read)) {
            return true;
        }

        return is_infinite($expected) || is_infinite($read)
            ? $expected === $read
            : abs($read - $expected) <= max($this->least, $this->share * $expected);
    }
}
