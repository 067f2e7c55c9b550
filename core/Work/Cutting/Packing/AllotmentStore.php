<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/** Keeps what was searched for at length, under a hash of all that it was searched for. */
interface AllotmentStore
{
    public function allotment(string $of): ?BestAllotment;

    public function keep(string $of, BestAllotment $best): void;
}
