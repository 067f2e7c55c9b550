<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Dressing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Ways\Looming\Packing\Packer;
use Sartal\Core\Ways\Looming\Packing\Packing;
use Sartal\Core\Ways\Looming\Packing\PackingStore;

/** Packs cables into bundles, the same diameters once. */
final readonly class Bundles
{
    public function __construct(private PackingStore $store)
    {
    }

    /**
     * @param  list<CableType>  $cables
     * @return Packing its circles in the order of the cables
     */
    public function of(array $cables): Packing
    {
        $diameters = array_map(static fn (CableType $cable): int => max(1, $cable->outerDiameter->nanometres), $cables);
        // Stable: equal cables keep their order, so that they lie in the same place each time.
        $order = array_keys($diameters);
        usort($order, static fn (int $a, int $b): int => $diameters[$b] <=> $diameters[$a] ?: $a <=> $b);
        $sorted = array_map(static fn (int $i): int => $diameters[$i], $order);
        $key = hash('xxh128', implode(' ', $sorted));
        $packing = $this->store->packing($key);
        if ($packing === null) {
            $packing = Packer::pack(array_map(static fn (int $nanometres): float => $nanometres / 1e6, $sorted));
            $this->store->keep($key, $packing);
        }
        $circles = [];
        foreach ($order as $place => $i) {
            $circles[$i] = $packing->circles[$place];
        }
        ksort($circles);

        return new Packing(array_values($circles), $packing->diameter);
    }
}
