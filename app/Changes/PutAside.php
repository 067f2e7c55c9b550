<?php

declare(strict_types=1);

namespace App\Changes;

use RuntimeException;

/** An edit was put aside instead of made. */
final class PutAside extends RuntimeException
{
    public function __construct(public readonly int $draft, public readonly string $words)
    {
        parent::__construct(
            sprintf('Put aside as a draft: %s. Nothing is changed; it waits under Hand-over, Releases.', $words),
        );
    }
}
