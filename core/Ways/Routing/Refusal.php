<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

/** Why a way does not take a cable, and what would help. */
final readonly class Refusal
{
    public function __construct(public string $code, public string $words, public string $remedy)
    {
    }
}
