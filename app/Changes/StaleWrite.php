<?php

declare(strict_types=1);

namespace App\Changes;

use App\Planning\Edit;
use RuntimeException;

/** Somebody else was first. What the person typed is theirs still; what stands now comes with the answer. */
final class StaleWrite extends RuntimeException
{
    /**
     * @param  ?array<int|string, mixed>  $theirs  what stands now; null: nothing any more
     * @param  ?int  $version  of what stands now
     */
    public function __construct(
        public readonly Decision $decision,
        public readonly Edit $edit,
        public readonly ?array $theirs,
        public readonly ?int $version = null,
    ) {
        parent::__construct(
            match (true) {
                $decision->ifStale !== '' => $decision->ifStale,
                $theirs === null => 'Somebody else has removed this meanwhile. Copy what you need, then close it.',
                default => 'Somebody else has changed this meanwhile. Compare the two, then save yours or take theirs.',
            },
        );
    }
}
