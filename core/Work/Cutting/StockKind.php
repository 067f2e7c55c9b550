<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

/** In the order in which it is used up. */
enum StockKind: string
{
    private const BUY = 'buy:';

    case Piece = 'piece';
    case Offcut = 'offcut';
    case Reel = 'reel';
    case ToBuy = 'to-buy';

    /** Its ends are as they left the works, and nobody has measured it. */
    public function isReel(): bool
    {
        return $this === self::Reel || $this === self::ToBuy;
    }

    /** The id of a reel that is to be bought. */
    public static function toBuy(string $cable, int $number): string
    {
        return self::BUY.$cable.'/'.$number;
    }
}
