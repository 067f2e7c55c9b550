<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** What a conductor is made of. Copper-clad is not copper: it has more resistance and breaks sooner. */
enum Metal: string
{
    case Copper = 'copper';
    case Clad = 'clad';

    /**
     * Times the resistance of copper of the same size. Copper-clad aluminium of 10 % copper: ASTM B566, from memory.
     */
    public function resistance(): float
    {
        return $this === self::Copper ? 1.0 : 1.6;
    }
}
