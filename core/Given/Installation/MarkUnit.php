<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

enum MarkUnit: string
{
    case Metre = 'm';
    case Foot = 'ft';

    public function nanometres(): int
    {
        return $this === self::Metre ? 1_000_000_000 : 304_800_000;
    }
}
