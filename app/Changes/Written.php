<?php

declare(strict_types=1);

namespace App\Changes;

use App\Models\Change;
use App\Planning\Loaded;

/** A decision that was written, and the installation as it is since. */
final class Written
{
    private ?Loaded $now = null;

    /** @param  \Closure(): Loaded  $read */
    public function __construct(public readonly Change $change, private readonly \Closure $read)
    {
    }

    /** As it is since; the rest of it is not read again. */
    public function now(): Loaded
    {
        return $this->now ??= ($this->read)();
    }
}
