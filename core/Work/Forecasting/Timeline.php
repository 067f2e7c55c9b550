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

    /** What follows without a gap is one stretch: a day that is full is looked past in one step. */
    public function take(float $from, float $to): void
    {
        $at = $this->after($from);
        $gone = 0;
        if ($at > 0 && $this->to[$at - 1] >= $from - self::SMALL) {
            $at--;
            $from = $this->from[$at];
            $gone++;
        }
        if (isset($this->from[$at + $gone]) && $this->from[$at + $gone] <= $to + self::SMALL) {
            $to = max($to, $this->to[$at + $gone]);
            $gone++;
        }
        array_splice($this->from, $at, $gone, [$from]);
        array_splice($this->to, $at, $gone, [$to]);
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
