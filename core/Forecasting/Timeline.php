<?php

declare(strict_types=1);

namespace Sartal\Core\Forecasting;

/** When one person, one tool or one bench is taken. */
final class Timeline
{
    private const SMALL = 1e-9;

    /** @var list<array{float, float}> in order, none overlapping */
    private array $taken = [];

    public function isFree(float $from, float $to): bool
    {
        for ($i = count($this->taken) - 1; $i >= 0; $i--) {
            if ($this->taken[$i][1] <= $from + self::SMALL) {
                return true;
            }
            if ($this->taken[$i][0] < $to - self::SMALL) {
                return false;
            }
        }

        return true;
    }

    public function take(float $from, float $to): void
    {
        $at = count($this->taken);
        while ($at > 0 && $this->taken[$at - 1][0] > $from) {
            $at--;
        }
        array_splice($this->taken, $at, 0, [[$from, $to]]);
    }

    /** @return list<float> moments from which it might be free, not before a given one */
    public function ends(float $from): array
    {
        $ends = [];
        for ($i = count($this->taken) - 1; $i >= 0 && $this->taken[$i][1] > $from; $i--) {
            $ends[] = $this->taken[$i][1];
        }

        return $ends;
    }
}
