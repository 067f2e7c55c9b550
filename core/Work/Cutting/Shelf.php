<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Work\Cutting\Packing\Stocked;

/** What one kind of cable can come off: stock in the order in which it is used up, and reels on sale. */
final readonly class Shelf
{
    /** @var list<Stock> in the order in which it is used up */
    public array $stock;

    /** @var list<Length> shortest first */
    public array $sold;

    /**
     * @param  list<Stock>  $stock
     * @param  list<Length>  $sold  lengths of reels on sale
     * @param  Length  $margin  that stays on every reel; offcuts and pieces were measured and need none
     */
    public function __construct(array $stock, array $sold, public Length $margin)
    {
        $order = array_flip(array_map(static fn (StockKind $kind): string => $kind->value, StockKind::cases()));
        usort(
            $stock,
            static fn (Stock $a, Stock $b): int => $order[$a->kind->value] <=> $order[$b->kind->value] ?:
            $a->left->compare($b->left) ?:
            $a->id <=> $b->id,
        );
        usort($sold, static fn (Length $a, Length $b): int => $a->compare($b));
        [$this->stock, $this->sold] = [$stock, $sold];
    }

    /** What cuts may take of it. */
    public function gives(Length $left, bool $isReel): Length
    {
        $gives = $isReel ? $left->minus($this->margin) : $left;

        return $gives->isNegative() ? Length::zero() : $gives;
    }

    /** What the longest can give, on the shelf or on sale; nothing where there is none. */
    public function longest(): Length
    {
        $longest = $this->longestOnSale();
        foreach ($this->stock as $each) {
            $gives = $this->gives($each->left, $each->kind->isReel());
            $longest = $gives->compare($longest) > 0 ? $gives : $longest;
        }

        return $longest;
    }

    public function longestOnSale(): Length
    {
        return $this->sold === [] ? Length::zero() : $this->gives($this->sold[count($this->sold) - 1], true);
    }

    /**
     * The question, in nanometres.
     *
     * @param  list<Lot>  $lots  longest first
     */
    public function with(array $lots, Length $usable): Stocked
    {
        return $this->left(
            $lots,
            $usable,
            array_map(
                fn (Stock $each): int => $this->gives($each->left, $each->kind->isReel())->nanometres,
                $this->stock,
            ),
        );
    }

    /**
     * The same where less is left of the stock.
     *
     * @param  list<Lot>  $lots  longest first
     * @param  list<int>  $free  nanometres that each piece of stock can still give
     */
    public function left(array $lots, Length $usable, array $free): Stocked
    {
        $order = array_flip(array_map(static fn (StockKind $kind): string => $kind->value, StockKind::cases()));

        return new Stocked(
            array_map(static fn (Lot $lot): int => $lot->length()->nanometres, $lots),
            $free,
            array_map(static fn (Stock $each): int => $order[$each->kind->value], $this->stock),
            array_map(fn (Length $sold): int => $this->gives($sold, true)->nanometres, $this->sold),
            $usable->nanometres,
        );
    }

    /**
     * The shortest reel on sale that holds these.
     *
     * @param  list<Lot>  $lots
     */
    public function toBuy(string $cable, int $number, array $lots): Stock
    {
        $need = Length::zero()->plus(...array_map(static fn (Lot $lot): Length => $lot->length(), $lots));
        foreach ($this->sold as $sold) {
            if ($this->gives($sold, true)->compare($need) >= 0) {
                return new Stock(
                    StockKind::toBuy($cable, $number),
                    sprintf('new reel %d', $number),
                    $cable,
                    $sold,
                    StockKind::ToBuy,
                    null,
                    Length::zero(),
                );
            }
        }

        throw new \LogicException(sprintf('%s of %s are on no reel that is sold.', $need->canonical(), $cable));
    }
}
