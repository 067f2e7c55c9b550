<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** Which conductors a terminal is made for. */
enum Strands: string
{
    case Any = 'any';
    case Solid = 'solid';
    case Stranded = 'stranded';

    /** @param  int  $count  wires in the conductor; 1 is solid, 0 not stated */
    public function takes(int $count): bool
    {
        return match ($this) {
            self::Any => true,
            self::Solid => $count <= 1,
            self::Stranded => $count !== 1,
        };
    }
}
