<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/** For as long as the process lives. */
final class MemoryAllotments implements AllotmentStore
{
    /** @var array<int|string, BestAllotment> */
    private array $known = [];

    public function allotment(string $of): ?BestAllotment
    {
        return $this->known[$of] ?? null;
    }

    public function keep(string $of, BestAllotment $best): void
    {
        $this->known[$of] = $best;
    }
}
