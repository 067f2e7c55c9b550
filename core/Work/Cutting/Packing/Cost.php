<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * What an allotment costs, in the order in which it counts: cuts without cable, reels bought, their length together,
 * scrap, what is taken off stock that ought to last longer, and rests that go back on the shelf.
 */
final readonly class Cost
{
    /** Reels on sale come after all that is on the shelf. */
    private const NEW = 4;

    public function __construct(
        public int $unmet,
        public int $bought,
        public int $length,
        public int $scrap,
        public int $late,
        public int $rests,
    ) {
    }

    public static function nothing(): self
    {
        return new self(0, 0, 0, 0, 0, 0);
    }

    /** What lots of so much length together cost on a piece of stock. */
    public static function onShelf(Stocked $stocked, int $stock, int $used): self
    {
        $rest = $stocked->rest($stock, $used);

        return $used === 0
            ? self::nothing()
            : new self(
                0,
                0,
                0,
                $stocked->scrap($rest),
                $stocked->ranks[$stock] * $used,
                $rest - $stocked->scrap($rest),
            );
    }

    /** What they cost on a reel that is bought for them; null where none is long enough. */
    public static function onNew(Stocked $stocked, int $used): ?self
    {
        $reel = $stocked->shortestFor($used);
        if ($reel === null) {
            return null;
        }
        [$length, $rest] = $reel;
        $scrap = $stocked->scrap($rest);

        return new self(0, 1, $length, $scrap, self::NEW * $used, $rest - $scrap);
    }

    public static function unmet(int $lots): self
    {
        return new self($lots, 0, 0, 0, 0, 0);
    }

    public function plus(self $other): self
    {
        return new self(
            $this->unmet + $other->unmet,
            $this->bought + $other->bought,
            $this->length + $other->length,
            $this->scrap + $other->scrap,
            $this->late + $other->late,
            $this->rests + $other->rests,
        );
    }

    /** Below zero where this one is the better. */
    public function compare(self $other): int
    {
        return $this->unmet <=> $other->unmet ?:
            $this->bought <=> $other->bought ?:
            $this->length <=> $other->length ?:
            $this->scrap <=> $other->scrap ?:
            $this->late <=> $other->late ?:
            $this->rests <=> $other->rests;
    }
}
