<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/** For methods that ask one thing of each point, and all that they can ask. */
trait PlainSense
{
    public function what(string $at): string
    {
        return '';
    }

    public function asks(string $at): string
    {
        return '';
    }

    public function scale(string $at): Scale
    {
        return new Scale(self::UNIT);
    }

    public function counts(string $at): bool
    {
        return true;
    }
}
