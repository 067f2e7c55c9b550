<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

enum Side: string
{
    case A = 'A';
    case B = 'B';

    public function other(): self
    {
        return $this === self::A ? self::B : self::A;
    }
}
