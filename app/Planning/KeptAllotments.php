<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\Work\Cutting\Packing\Allotment;
use Sartal\Core\Work\Cutting\Packing\AllotmentStore;
use Sartal\Core\Work\Cutting\Packing\BestAllotment;

/** How cuts come off the stock, cable by cable, as plain numbers: what is cut of one is searched for of that alone. */
final readonly class KeptAllotments implements AllotmentStore
{
    /** @var KeptByHash<array{list<list<int>>, list<list<int>>, list<int>, int}> */
    private KeptByHash $kept;

    public function __construct(StoredInstallation $stored)
    {
        $this->kept = new KeptByHash($stored, 'allotments');
    }

    public function allotment(string $of): ?BestAllotment
    {
        $known = $this->kept->get($of);
        if ($known === null) {
            return null;
        }
        [$shelf, $bought, $unmet, $atLeast] = $known;

        return new BestAllotment(new Allotment($shelf, $bought, $unmet), $atLeast);
    }

    public function keep(string $of, BestAllotment $best): void
    {
        $this->kept->put($of, [
            $best->allotment->shelf,
            $best->allotment->bought,
            $best->allotment->unmet,
            $best->atLeast,
        ]);
    }
}
