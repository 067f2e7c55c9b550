<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming\Packing;

/** Remembers packings: the same diameters always pack alike, and packing many takes long. */
interface PackingStore
{
    public function packing(string $key): ?Packing;

    public function keep(string $key, Packing $packing): void;
}
