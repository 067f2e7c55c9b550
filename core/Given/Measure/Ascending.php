<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * Numbers in ascending order, eight octets each: of tens of thousands the middle one is found, and one comes in or goes
 * out, without the others being read.
 */
final readonly class Ascending
{
    private const WIDTH = 8;

    /** @param  string  $octets  doubles (IEEE 754, binary64), the low octet first */
    private function __construct(private string $octets)
    {
    }

    /** @param  list<float>  $numbers  in any order */
    public static function of(array $numbers): self
    {
        sort($numbers);

        return new self(pack('e*', ...$numbers));
    }

    /** @param  string  $octets  as they were written */
    public static function read(string $octets): self
    {
        return new self($octets);
    }

    public function written(): string
    {
        return $this->octets;
    }

    public function count(): int
    {
        return intdiv(strlen($this->octets), self::WIDTH);
    }

    /** The middle one, or the mean of the two in the middle; null where there is none. */
    public function middle(): ?float
    {
        $count = $this->count();
        $half = intdiv($count, 2);

        return match (true) {
            $count === 0 => null,
            $count % 2 === 1 => $this->at($half),
            default => ($this->at($half - 1) + $this->at($half)) / 2,
        };
    }

    public function with(float $number): self
    {
        $at = self::WIDTH * $this->before($number);

        return new self(substr($this->octets, 0, $at).pack('e', $number).substr($this->octets, $at));
    }

    /** One of its like goes; the same where there is none. */
    public function without(float $number): self
    {
        $index = $this->before($number);
        if ($index === $this->count() || $this->at($index) !== $number) {
            return $this;
        }
        $at = self::WIDTH * $index;

        return new self(substr($this->octets, 0, $at).substr($this->octets, $at + self::WIDTH));
    }

    /** How many are less than it. */
    private function before(float $number): int
    {
        [$low, $high] = [0, $this->count()];
        while ($low < $high) {
            $half = intdiv($low + $high, 2);
            if ($this->at($half) < $number) {
                $low = $half + 1;
            } else {
                $high = $half;
            }
        }

        return $low;
    }

    private function at(int $index): float
    {
        /** @var array{1: float} $read */
        $read = unpack('e', $this->octets, self::WIDTH * $index);

        return $read[1];
    }
}
