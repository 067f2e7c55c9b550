<?php

declare(strict_types=1);

namespace App\Changes;

use App\Models\Change;
use App\Planning\Loaded;
use LogicException;
use Sartal\Core\Plan\Planning\Rerouted;

/** A decision that was written, and the installation as it is since. */
final class Written
{
    private ?Loaded $now = null;

    /**
     * @param  ?Loaded  $before  as it was, whole or all that it has to do with; null: nobody has read it
     * @param  \Closure(): Loaded  $read  as it is since, as much of it
     */
    public function __construct(
        public readonly Change $change,
        public readonly ?Loaded $before,
        private readonly \Closure $read,
    ) {
    }

    /** What it did to where runs lie, to their cuts, and to what is found. */
    public function rerouted(): Rerouted
    {
        $was = $this->before ?? throw new LogicException('Nobody has read what was before.');
        $now = $this->now();

        return Rerouted::between($was->plan(), $now->plan(), $now->installation);
    }

    /** As it is since; the rest of it is not read again. */
    public function now(): Loaded
    {
        return $this->now ??= ($this->read)();
    }
}
