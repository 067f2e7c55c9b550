<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * Lots on so few reels that hardly anything may be left on any: every choice of lengths that fills a reel so far is
 * listed, and of them so many are taken that every lot is in one (an exact cover: D. E. Knuth, "Dancing links",
 * Millennial Perspectives in Computer Science, 2000, for taking next what has the fewest ways left). Where there are
 * too many such choices, it gives up: then others find a way.
 */
final class FullReels
{
    /** What may be left over of all reels together, as a part of one. */
    public const CLOSE = 50;

    private const CHOICES = 60_000;

    /** Choices that are looked at in all, a second or so. */
    private const WORK = 6_000_000;

    /** The same where every reel has as many lots, for each lot: seconds where there are a hundred and more. */
    private const EVEN_WORK = 220_000;

    /** @var list<int> longest first, each once */
    private array $lengths;

    /** @var array<int, int> length, by its place in that list → lots that are in no reel yet */
    private array $left;

    /** @var list<array<int, int>> length → how many of it, by choice */
    private array $choices = [];

    /** @var array<int, list<int>> choices, by length */
    private array $of = [];

    /** @var array<int, true> choices that can still be taken */
    private array $open = [];

    /** @var array<int, int> length of which lots are left → choices that could take one */
    private array $ways = [];

    /** @var list<int> choices taken */
    private array $taken = [];

    private int $work = 0;

    private int $most = self::WORK;

    /** @param  list<int>  $sizes  longest first */
    private function __construct(private readonly array $sizes, private readonly int $capacity, private int $slack)
    {
        $counts = array_count_values($sizes);
        $this->lengths = array_keys($counts);
        $this->left = array_values($counts);
    }

    /**
     * @param  list<int>  $sizes  longest first, each above nothing
     * @return list<list<int>>|false|null keys of lots by reel; null where it was not found, false where there are too
     *     many choices to look
     */
    public static function pack(array $sizes, int $capacity, int $reels): array|false|null
    {
        $slack = $reels * $capacity - array_sum($sizes);
        if ($sizes === []) {
            return [];
        }
        // With more room there are more choices than could be listed, and others find one sooner.
        if ($slack < 0 || $slack * self::CLOSE > $capacity) {
            return null;
        }
        $full = new self($sizes, $capacity, $slack);

        if (! $full->list()) {
            return false;
        }

        return $full->cover() ? $full->reels() : null;
    }

    /**
     * The same where every reel has as many lots: of such choices there are few even among hundreds of lots.
     *
     * @param  list<int>  $sizes  longest first, each above nothing
     * @return ?list<list<int>> keys of lots by reel; null where it was not found
     */
    public static function even(array $sizes, int $capacity, int $reels): ?array
    {
        $slack = $reels * $capacity - array_sum($sizes);
        if ($reels < 1 || count($sizes) % $reels !== 0 || $slack < 0 || $slack * self::CLOSE > $capacity) {
            return null;
        }
        $full = new self($sizes, $capacity, $slack);
        $lots = intdiv(count($sizes), $reels);
        $choices = EvenFills::of($full->lengths, $full->left, $capacity, $slack, $lots, self::CHOICES);
        if ($choices === null) {
            return null;
        }
        $full->choices = $choices;
        $full->most = self::EVEN_WORK * count($sizes);
        $full->open();

        return $full->cover() ? $full->reels() : null;
    }

    /** Whether all choices are listed. */
    private function list(): bool
    {
        $reach = [count($this->lengths) => gmp_init(1)];
        $all = (gmp_init(1) << $this->capacity + 1) - 1;
        for ($n = count($this->lengths) - 1; $n >= 0; $n--) {
            $reach[$n] = $reach[$n + 1];
            for ($count = $this->left[$n]; $count > 0; $count--) {
                $reach[$n] = ($reach[$n] | ($reach[$n] << $this->lengths[$n])) & $all;
            }
        }
        if (! $this->extend([], 0, $this->capacity, $reach)) {
            return false;
        }
        $this->open();

        return true;
    }

    private function open(): void
    {
        $this->of = array_fill(0, count($this->lengths), []);
        foreach ($this->choices as $choice => $counts) {
            $this->open[$choice] = true;
            foreach (array_keys($counts) as $n) {
                $this->of[$n][] = $choice;
            }
        }
        $this->ways = array_map(count(...), $this->of);
    }

    /**
     * @param  array<int, int>  $counts  length → how many of it, so far
     * @param  int  $from  the next that may be taken
     * @param  int  $free  on the reel
     * @param  array<int, \GMP>  $reach  what can be made of each length and those after it
     */
    private function extend(array $counts, int $from, int $free, array $reach): bool
    {
        if ($free <= $this->slack) {
            $this->choices[] = $counts;
            if (count($this->choices) > self::CHOICES) {
                return false;
            }
        }
        for ($n = $from; $n < count($this->lengths); $n++) {
            for ($count = 1; $count <= $this->left[$n]; $count++) {
                $rest = $free - $count * $this->lengths[$n];
                if ($rest < 0) {
                    break;
                }
                if (
                    $this->fills($reach[$n + 1], $rest) &&
                    ! $this->extend($counts + [$n => $count], $n + 1, $rest, $reach)
                ) {
                    return false;
                }
            }
            if (! $this->fills($reach[$n + 1], $free)) {
                // Nothing comes without this one.
                return true;
            }
        }

        return true;
    }

    /** Whether these can be made to fill so much, but for what may be left over. */
    private function fills(\GMP $reach, int $free): bool
    {
        $sum = gmp_scan1($reach, max(0, $free - $this->slack));

        return $sum >= 0 && $sum <= $free;
    }

    private function cover(): bool
    {
        if ($this->ways === []) {
            return true;
        }
        $least = min($this->ways);
        if ($least === 0) {
            return false;
        }
        $n = (int) array_search($least, $this->ways, true);
        $tried = [];
        foreach ($this->of[$n] as $choice) {
            if ($this->work > $this->most) {
                break;
            }
            if (! isset($this->open[$choice])) {
                continue;
            }
            [$ways, $left] = [$this->ways, $this->left];
            $closed = $this->take($choice);
            if ($this->cover()) {
                return true;
            }
            array_pop($this->taken);
            [$this->ways, $this->left] = [$ways, $left];
            foreach ($closed as $each) {
                $this->open[$each] = true;
            }
            // Whatever there is with it was looked at.
            $this->close($choice);
            $tried[] = $choice;
        }
        foreach ($tried as $choice) {
            $this->open[$choice] = true;
            foreach (array_keys($this->choices[$choice]) as $each) {
                $this->ways[$each]++;
            }
        }

        return false;
    }

    /** @return list<int> choices that can no longer be taken */
    private function take(int $choice): array
    {
        $this->taken[] = $choice;
        $closed = [];
        foreach ($this->choices[$choice] as $n => $count) {
            $this->left[$n] -= $count;
            $this->work += count($this->of[$n]);
            foreach ($this->of[$n] as $other) {
                if (isset($this->open[$other]) && $this->choices[$other][$n] > $this->left[$n]) {
                    $this->close($other);
                    $closed[] = $other;
                }
            }
            if ($this->left[$n] === 0) {
                unset($this->ways[$n]);
            }
        }

        return $closed;
    }

    private function close(int $choice): void
    {
        unset($this->open[$choice]);
        foreach (array_keys($this->choices[$choice]) as $n) {
            if (isset($this->ways[$n])) {
                $this->ways[$n]--;
            }
        }
    }

    /** @return list<list<int>> */
    private function reels(): array
    {
        $keys = [];
        foreach ($this->sizes as $key => $size) {
            $keys[$size][] = $key;
        }
        $reels = [];
        foreach ($this->taken as $choice) {
            $reel = [];
            foreach ($this->choices[$choice] as $n => $count) {
                array_push($reel, ...array_splice($keys[$this->lengths[$n]], 0, $count));
            }
            $reels[] = $reel;
        }

        return $reels;
    }
}
