<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * Every choice of a given number of lots that fills a reel, by the sums of a few of them: those that go together to so
 * much are found from both ends of the sorted list (E. Horowitz and S. Sahni, "Computing partitions with applications
 * to the knapsack problem", Journal of the ACM 21, 1974, for putting halves together).
 */
final class EvenFills
{
    /** Lots on a reel → lengths of which all twos, or all threes, are looked at: a second at most. */
    private const LENGTHS = [3 => 500, 4 => 500, 5 => 260, 6 => 130];

    /** @var array<string, array<int, int>> length → how many of it, by choice */
    private array $found = [];

    /**
     * @param  list<int>  $lengths  longest first, each once
     * @param  array<int, int>  $left  how many there are of each
     * @param  int  $slack  how much may be left over
     * @param  int  $lots  on a reel
     * @param  int  $limit  of choices
     */
    private function __construct(
        private readonly array $lengths,
        private readonly array $left,
        private readonly int $capacity,
        private readonly int $slack,
        private readonly int $lots,
        private readonly int $limit,
    ) {
    }

    /**
     * @param  list<int>  $lengths  longest first, each once
     * @param  array<int, int>  $left  how many there are of each
     * @param  int  $lots  on a reel
     * @return ?list<array<int, int>> place of a length in that list → how many of it, by choice; null: too many
     */
    public static function of(
        array $lengths,
        array $left,
        int $capacity,
        int $slack,
        int $lots,
        int $limit,
    ): ?array {
        if (count($lengths) > (self::LENGTHS[$lots] ?? 0)) {
            return null;
        }
        $fills = new self($lengths, $left, $capacity, $slack, $lots, $limit);
        $isListed = match ($lots) {
            3 => $fills->threes(),
            4 => $fills->meet($fills->groups(2), $capacity, []),
            5 => $fills->fives(),
            default => $fills->meet($fills->groups(3), $capacity, []),
        };

        return $isListed ? array_values($fills->found) : null;
    }

    /**
     * @param  int  $many  lots together
     * @return array<int, int> lengths, each a digit to the base of how many there are, none before the one to its left
     *     → what they make; the least first
     */
    private function groups(int $many): array
    {
        $count = count($this->lengths);
        $groups = $this->lengths;
        for ($digits = 1; $digits < $many; $digits++) {
            $longer = [];
            foreach ($groups as $group => $sum) {
                for ($next = $group % $count; $next < $count; $next++) {
                    $longer[$group * $count + $next] = $sum + $this->lengths[$next];
                }
            }
            $groups = $longer;
        }
        asort($groups);

        return $groups;
    }

    /** One length, and two that fill what it leaves. */
    private function threes(): bool
    {
        $pairs = $this->groups(2);
        foreach ($this->lengths as $n => $length) {
            $pairs = self::from($pairs, $n * count($this->lengths));
            $rest = $this->capacity - $length;
            foreach ($pairs as $pair => $sum) {
                if ($sum > $rest) {
                    break;
                }
                if ($sum >= $rest - $this->slack && ! $this->add([$n, ...$this->digits($pair, 2)])) {
                    return false;
                }
            }
        }

        return true;
    }

    /** One length, and twice two that fill what it leaves: those after it alone, for each choice is listed once. */
    private function fives(): bool
    {
        $pairs = $this->groups(2);
        foreach ($this->lengths as $n => $length) {
            $pairs = self::from($pairs, $n * count($this->lengths));
            if (! $this->meet($pairs, $this->capacity - $length, [$n])) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array<int, int>  $pairs  sorted by what they make
     * @return array<int, int> those of which the first is not before a length
     */
    private static function from(array $pairs, int $least): array
    {
        return array_filter($pairs, static fn (int $pair): bool => $pair >= $least, ARRAY_FILTER_USE_KEY);
    }

    /**
     * Twice so many that make so much, but for what may be left over.
     *
     * @param  array<int, int>  $groups  group → what it makes, the least first
     * @param  list<int>  $with  lengths that are chosen already
     */
    private function meet(array $groups, int $wanted, array $with): bool
    {
        $many = intdiv($this->lots - count($with), 2);
        $keys = array_keys($groups);
        $sums = array_values($groups);
        $low = 0;
        for ($high = count($sums) - 1; $high >= 0; $high--) {
            $sum = $sums[$high];
            // Whatever goes with less is looked at once, from the greater of the two.
            while ($low > 0 && $wanted - $this->slack <= $sums[$low - 1] + $sum) {
                $low--;
            }
            while ($low < count($sums) && $wanted - $this->slack > $sums[$low] + $sum) {
                $low++;
            }
            for ($other = $low; $other <= $high && $wanted >= $sums[$other] + $sum; $other++) {
                $two = [...$this->digits($keys[$high], $many), ...$this->digits($keys[$other], $many)];
                if (! $this->add([...$with, ...$two])) {
                    return false;
                }
            }
            if ($low > $high) {
                break;
            }
        }

        return true;
    }

    /** @return list<int> lengths of a group */
    private function digits(int $group, int $many): array
    {
        $count = count($this->lengths);
        $digits = [];
        for (; $many > 0; $many--) {
            $digits[] = $group % $count;
            $group = intdiv($group, $count);
        }

        return $digits;
    }

    /**
     * @param  list<int>  $lots  lengths of a choice, in any order
     * @return bool whether there is room for more
     */
    private function add(array $lots): bool
    {
        $counts = array_count_values($lots);
        foreach ($counts as $n => $many) {
            if ($many > $this->left[$n]) {
                return true;
            }
        }
        ksort($counts);
        $this->found[implode(' ', array_keys($counts)).'/'.implode(' ', $counts)] = $counts;

        return count($this->found) <= $this->limit;
    }
}
