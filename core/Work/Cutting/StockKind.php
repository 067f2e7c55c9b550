<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

/** In the order in which it is used up. */
enum StockKind: string
{
    case Piece = 'piece';
    case Offcut = 'offcut';
    case Reel = 'reel';
    case ToBuy = 'to-buy';
}
