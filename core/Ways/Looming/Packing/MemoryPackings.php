<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming\Packing;

/** Packings for as long as the process lives. */
final class MemoryPackings implements PackingStore
{
    /** @var array<int|string, Packing> */
    private array $kept = [];

    public function packing(string $key): ?Packing
    {
        return $this->kept[$key] ?? null;
    }

    public function keep(string $key, Packing $packing): void
    {
        $this->kept[$key] = $packing;
    }
}
