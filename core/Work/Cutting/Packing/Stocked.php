<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/** What is to come off one kind of cable, in whole units: lots, what is on the shelf, and the reels on sale. */
final readonly class Stocked
{
    /** The longest reel on sale; 0 where nobody says in what lengths it is sold. */
    public int $reel;

    /**
     * @param  list<int>  $lots  lengths, longest first, each above nothing
     * @param  list<int>  $shelf  what each piece of stock can give, in the order in which stock is used up
     * @param  list<int>  $ranks  of each piece of stock: the lower, the sooner it is used up
     * @param  list<int>  $sold  what a reel on sale can give, shortest first
     * @param  int  $usable  from which length a rest is worth keeping
     * @param  ?self  $exact  of which this is the same in longer units: rests are told by it
     * @param  int  $unit  of it
     */
    public function __construct(
        public array $lots,
        public array $shelf,
        public array $ranks,
        public array $sold,
        public int $usable,
        private ?self $exact = null,
        private int $unit = 1,
    ) {
        $this->reel = $sold === [] ? 0 : $sold[count($sold) - 1];
    }

    /**
     * What the given lots take together.
     *
     * @param  list<int>  $of  keys of lots
     */
    public function sum(array $of): int
    {
        $sum = 0;
        foreach ($of as $lot) {
            $sum += $this->lots[$lot];
        }

        return $sum;
    }

    /**
     * The same in units so many times as long: stock rounded down, so that nothing fits that does not.
     *
     * @param  bool  $up  lots rounded up; down otherwise
     */
    public function over(int $unit, bool $up): self
    {
        $down = static fn (int $length): int => intdiv($length, $unit);

        return new self(
            array_map(
                static fn (int $lot): int => max(1, intdiv($up ? $lot + $unit - 1 : $lot, $unit)),
                $this->lots,
            ),
            array_map($down, $this->shelf),
            $this->ranks,
            array_map($down, $this->sold),
            intdiv($this->usable + $unit - 1, $unit),
            $this,
            $unit,
        );
    }

    /** What stays of a piece of stock where so much of it is used, in the units that this was first said in. */
    public function rest(int $stock, int $used): int
    {
        return $this->exact === null
            ? $this->shelf[$stock] - $used
            : $this->exact->shelf[$stock] - $used * $this->unit;
    }

    /**
     * The shortest reel on sale that holds so much, and what stays of it, in the units that this was first said in;
     * null where none does.
     *
     * @return ?array{int, int}
     */
    public function shortestFor(int $used): ?array
    {
        foreach ($this->sold as $n => $sold) {
            if ($sold >= $used) {
                $length = $this->exact->sold[$n] ?? $sold;

                return [$length, $length - $used * $this->unit];
            }
        }

        return null;
    }

    /** What a rest adds to the scrap, both in the units that this was first said in. */
    public function scrap(int $rest): int
    {
        return $rest < ($this->exact->usable ?? $this->usable) ? $rest : 0;
    }
}
