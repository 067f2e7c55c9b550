<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

/** In which order findings are listed: by what they come of. */
enum Listed: int
{
    /** Places of each: runs by themselves come first, each at its own. */
    public const ROOM = 10_000_000;

    case Runs = 0;
    case Ways = 1;
    case Looms = 2;
    case Tails = 3;
    case Codes = 4;
    case Plans = 5;
    case Fittings = 6;
    case Matings = 7;
    case Joins = 8;
    case Ports = 9;
    case Spare = 10;
    case Phantom = 11;
    case Turned = 12;
    case Texts = 13;
    case Reaches = 14;
    case Drains = 15;

    public function place(): int
    {
        return $this->value * self::ROOM;
    }
}
