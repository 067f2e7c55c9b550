<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/**
 * One contact of a connector, seen from both sides. The terminal behind it
 * need not be its mirror image: a lug sits where its maker put it.
 */
final readonly class Cavity
{
    /**
     * @param  Point  $face  on the mating face
     * @param  Point  $wiring  its terminal, on the wiring side
     * @param  string  $terminal  what the terminal looks like or is marked, where that differs from the address
     * @param  ?int  $wires  how many wires its maker lets into its terminal; null: not stated
     * @param  string  $kind  of terminal, where the connector has several kinds
     */
    public function __construct(
        public string $address,
        public Point $face,
        public Point $wiring,
        public string $terminal = '',
        public ?int $wires = null,
        public string $kind = '',
    ) {
    }

    /** How many wires may meet on it: one, where nobody has stated more. */
    public function takes(): int
    {
        return $this->wires ?? 1;
    }
}
