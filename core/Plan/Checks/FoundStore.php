<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Given\Findings\Finding;

/** Keeps what was found where things are joined, under a hash of all that it follows from. */
interface FoundStore
{
    /** @return ?array<int, list<Finding>> null where nobody has looked */
    public function found(string $of): ?array;

    /** @param  array<int, list<Finding>>  $found */
    public function keepFound(string $of, array $found): void;
}
