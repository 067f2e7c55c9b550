<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

/** When one person, one tool or one bench is taken. */
final class Timeline
{
    private const SMALL = 1e-9;

    /** @var list<float> beginnings, in order; none overlaps the next */
    private array $from = [];

    /** @var list<float> and ends */
    private array $to = [];

    /** The first moment, not before a given one, from which it is free for so long. */
    public function earliest(float $from, float $minutes): float
    {
        for ($i = $this->after($from); $i < count($this->from); $i++) {
            if ($this->from[$i] >= $from + $minutes - self::SMALL) {
                return $from;
            }
            $from = max($from, $this->to[$i]);
        }

        return $from;
    }

    public function take(float $from, float $to): void
    {
        $at = $this->after($from);
        array_splice($this->from, $at, 0, [$from]);
        array_splice($this->to, $at, 0, [$to]);
    }

    /** The first stretch that ends after a moment, by halving. */
    private function after(float $moment): int
    {
        $low = 0;
        $high = count($this->to);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($this->to[$middle] > $moment + self::SMALL) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }
}
