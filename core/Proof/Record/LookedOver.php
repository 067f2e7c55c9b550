<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Of an inspection. */
final readonly class LookedOver implements Particulars
{
    /** @param  array<int|string, string>  $flaws  what was found → what becomes of it */
    public function __construct(public array $flaws)
    {
    }
}
