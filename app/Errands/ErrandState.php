<?php

declare(strict_types=1);

namespace App\Errands;

enum ErrandState: string
{
    case Waiting = 'waiting';
    case UnderWay = 'under-way';
    case Done = 'done';
    case Failed = 'failed';
    case CalledOff = 'called-off';

    public function isOpen(): bool
    {
        return $this === self::Waiting || $this === self::UnderWay;
    }

    /** @return list<value-of<self>> */
    public static function open(): array
    {
        return [self::Waiting->value, self::UnderWay->value];
    }
}
