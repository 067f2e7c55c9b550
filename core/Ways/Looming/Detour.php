<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Measure\Length;

/** What a run grows by because it follows its loom past a junction and comes back. */
final readonly class Detour
{
    public function __construct(public string $at, public Length $more)
    {
    }
}
