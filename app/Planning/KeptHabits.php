<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\Plan\Proposing\RunHabit;

/** What a line of words is filled in from, kept: whoever writes one does not wait until all runs are read. */
final readonly class KeptHabits
{
    public const NAME = 'habits';

    public function __construct(private Near $near)
    {
    }

    /** @return list<RunHabit> of all runs as it is decided, in their order */
    public function of(StoredInstallation $stored): array
    {
        /** @var KeptOfRuns<RunHabit> $kept */
        $kept = new KeptOfRuns($stored, self::NAME, Kept::state(...));

        return array_values($kept->of(
            fn (): array => RunHabit::in($this->near->whole($stored)->installation),
            fn (array $runs): array => RunHabit::in($this->near->runs($stored, $runs)->installation, $runs),
        ));
    }
}
