<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/** What one answer is counted in, and how finely it is said. */
final readonly class Scale
{
    /** @param  int  $digits  after the point */
    public function __construct(public string $unit, public int $digits = 2)
    {
    }
}
