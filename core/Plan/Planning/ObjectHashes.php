<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use WeakMap;

/** Hashes of what is decided, each made once however many installations share it. */
final class ObjectHashes
{
    /** @var WeakMap<object, string> */
    private WeakMap $known;

    public function __construct()
    {
        $this->known = new WeakMap();
    }

    /** @param  object  $value  that never changes */
    public function of(object $value): string
    {
        return $this->known[$value] ??= hash('xxh128', serialize($value));
    }
}
