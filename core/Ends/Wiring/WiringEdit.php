<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

/**
 * A change to wiring: edges put in, put elsewhere (same id) or taken out.
 * A fault is an edit; so is a switch being operated.
 */
final readonly class WiringEdit
{
    /** @param  array<int|string, ?Edge>  $edges by edge id; null takes the edge out */
    public function __construct(public array $edges)
    {
    }

    public static function nothing(): self
    {
        return new self([]);
    }
}
