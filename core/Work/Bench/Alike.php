<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/** Tells steps apart that are alike, by what they are and how manieth of those. */
final class Alike
{
    /** @var array<int|string, int> */
    private array $seen = [];

    public function key(string $of): string
    {
        $this->seen[$of] = ($this->seen[$of] ?? 0) + 1;

        return $of.'/'.$this->seen[$of];
    }
}
