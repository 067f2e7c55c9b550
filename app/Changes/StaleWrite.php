<?php

declare(strict_types=1);

namespace App\Changes;

use RuntimeException;

/** Somebody else was first. What the person typed is theirs still; what stands now comes with the answer. */
final class StaleWrite extends RuntimeException
{
    public function __construct(
        public readonly string $kind,
        public readonly string $key,
        public readonly ?int $current,
    ) {
        parent::__construct(
            $current === null
                ? 'Somebody else has removed this meanwhile. Copy what you need, then close it.'
                : 'Somebody else has changed this meanwhile. Compare the two, then save yours or take theirs.',
        );
    }
}
