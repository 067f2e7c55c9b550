<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Given\Installation\Side;

/** As somebody has worked it out before. */
final readonly class KnownEnds implements EndAsks
{
    /** @param  array<int|string, array<int|string, list<Ask>>>  $asks  by run and side */
    public function __construct(private array $asks)
    {
    }

    public function of(string $run, Side $side): array
    {
        return $this->asks[$run][$side->value] ?? [];
    }
}
