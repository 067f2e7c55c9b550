<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\Ways\Looming\Packing\Circle;
use Sartal\Core\Ways\Looming\Packing\Packing;
use Sartal\Core\Ways\Looming\Packing\PackingStore;

/** Packings as plain numbers: what is read back is checked, and packed again where it is not whole. */
final readonly class KeptPackings implements PackingStore
{
    /** Grows when the packer does. */
    private const VERSION = '1';

    /** @var KeptByHash<array<array-key, mixed>> */
    private KeptByHash $kept;

    public function __construct(StoredInstallation $stored)
    {
        $this->kept = new KeptByHash($stored, 'packings', self::VERSION);
    }

    public function packing(string $key): ?Packing
    {
        $kept = $this->kept->get($key);
        if ($kept === null || ! is_float($kept['diameter'] ?? null) || ! is_array($kept['circles'] ?? null)) {
            return null;
        }
        $circles = [];
        foreach ($kept['circles'] as $circle) {
            if (! is_array($circle) || count(array_filter($circle, is_float(...))) !== 3) {
                return null;
            }
            $circles[] = new Circle(...array_values($circle));
        }

        return new Packing($circles, $kept['diameter']);
    }

    public function keep(string $key, Packing $packing): void
    {
        $this->kept->put($key, [
            'diameter' => $packing->diameter,
            'circles' => array_map(
                static fn (Circle $circle): array => [$circle->x, $circle->y, $circle->r],
                $packing->circles,
            ),
        ]);
    }
}
