<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Importing;

/** What a cell of somebody's spreadsheet can name. */
enum Kind: string
{
    case Cable = 'cable';
    case Signal = 'signal';
    case Place = 'place';
    case Plan = 'plan';
    case Way = 'way';
    case Loom = 'loom';
    case Build = 'build';
    case Device = 'device';

    /** The share of the written words from which on a name is taken for what was meant; a place is made sooner. */
    public function enough(): float
    {
        return match ($this) {
            self::Place, self::Loom, self::Device => 0.7,
            default => 0.5,
        };
    }

    /** What is not here yet and needs no more than a list says. */
    public function canBeMade(): bool
    {
        return $this === self::Place || $this === self::Loom || $this === self::Device;
    }
}
