<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Given\Measure\Lean;

/**
 * What is counted over jobs, in whole numbers: where one job is another one it is taken out and put in, and all of it
 * is the same as if it had been counted from the beginning.
 */
final readonly class JobTally
{
    use Lean;

    /** Of what is more or less than whole, so many are one. */
    public const PARTS = 1000;

    /**
     * @param  array<int|string, int>  $looked  "procedure/defect" → ends that were looked over for it
     * @param  array<int|string, int>  $found  "procedure/defect" → how many of them had it
     * @param  array<int|string, int>  $done  "day pace" → thousandths of it that were done at the bench and stand
     * @param  array<int|string, int>  $left  timing → thousandths of it that are left at the bench
     * @param  array<int|string, int>  $timed  pace → thousandths of it that were done while somebody took the time
     * @param  array<int|string, int>  $took  pace → thousandths of a second that those took
     */
    public function __construct(
        public array $looked = [],
        public array $found = [],
        public array $done = [],
        public array $left = [],
        public array $timed = [],
        public array $took = [],
    ) {
    }

    public function exchanging(self $gone, self $come): self
    {
        return new self(
            self::counted($this->looked, $gone->looked, $come->looked),
            self::counted($this->found, $gone->found, $come->found),
            self::counted($this->done, $gone->done, $come->done),
            self::counted($this->left, $gone->left, $come->left),
            self::counted($this->timed, $gone->timed, $come->timed),
            self::counted($this->took, $gone->took, $come->took),
        );
    }

    /** @return array<string, array<int|string, int>> */
    public function written(): array
    {
        return get_object_vars($this);
    }

    /** @param  array<int|string, array<int|string, int>>  $says */
    public static function read(array $says): self
    {
        return new self(
            $says['looked'] ?? [],
            $says['found'] ?? [],
            $says['done'] ?? [],
            $says['left'] ?? [],
            $says['timed'] ?? [],
            $says['took'] ?? [],
        );
    }

    /** @return array<int|string, array<int|string, float>> day → pace → how much of it was done, in order of days */
    public function days(): array
    {
        $days = [];
        foreach ($this->done as $key => $parts) {
            [$day, $pace] = explode(' ', (string) $key, 2);
            $days[$day][$pace] = $parts / self::PARTS;
        }
        ksort($days, SORT_STRING);

        return $days;
    }

    /** @return array<int|string, float> timing → how much of it is left */
    public function left(): array
    {
        return array_map(static fn (int $parts): float => $parts / self::PARTS, $this->left);
    }

    /**
     * @param  array<int|string, int>  $all
     * @param  array<int|string, int>  $gone
     * @param  array<int|string, int>  $come
     * @return array<int|string, int> without what there is none of
     */
    private static function counted(array $all, array $gone, array $come): array
    {
        foreach ($gone as $key => $count) {
            $all[$key] = ($all[$key] ?? 0) - $count;
        }
        foreach ($come as $key => $count) {
            $all[$key] = ($all[$key] ?? 0) + $count;
        }

        return array_filter($all);
    }
}
