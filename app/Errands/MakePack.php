<?php

declare(strict_types=1);

namespace App\Errands;

use App\Handover\PackDesk;
use App\Models\Errand;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use Sartal\Core\Given\Measure\Units;

final readonly class MakePack implements Doing
{
    /** s that one waits for another of the same installation: packs are counted one by one. */
    private const PATIENCE = 3_000;

    public function __construct(private PackDesk $desk)
    {
    }

    public function do(Errand $errand, Progress $progress): array
    {
        $stored = StoredInstallation::query()->findOrFail($errand->installation_id);
        $units = Units::tryFrom($errand->asked['units'] ?? '') ?? Units::Metric;
        $pack = Kept::alone(
            $stored,
            'packs',
            self::PATIENCE,
            fn () => $this->desk->make($stored, $errand->user, $progress->tell(...), $units),
        );

        return ['pack' => $pack->number];
    }

    public function over(Errand $errand): void
    {
    }
}
