<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;
use Sartal\Core\Given\Installation\Run;

/**
 * To what each run belongs, and how long it is cut: kept, for whoever counts them needs nothing else of them.
 *
 * @phpstan-type InGroups array{loom: string, from: string, to: string, cable: string, metres: float}
 */
final readonly class RunsInGroups
{
    public function __construct(private Near $near)
    {
    }

    /**
     * @param  Closure(): Loaded  $load  as it is decided, where all of them have to be made
     * @return array<int|string, InGroups> by run, in their order; those that are withdrawn are not in it
     */
    public function of(StoredInstallation $stored, Closure $load): array
    {
        /** @var KeptOfRuns<?InGroups> $kept */
        $kept = new KeptOfRuns($stored, 'runs in groups', Kept::state(...));

        return array_filter($kept->of(
            static fn (): array => self::in($load()),
            fn (array $runs): array => self::in($this->near->runs($stored, $runs), $runs),
        ), is_array(...));
    }

    /**
     * @param  ?list<string>  $of  runs; null: all of them
     * @return array<int|string, ?InGroups> by run; null: withdrawn
     */
    private static function in(Loaded $loaded, ?array $of = null): array
    {
        $in = $loaded->installation;
        $runs = $in->runs();

        return array_map(static fn (Run $run): ?array => $run->withdrawn ? null : [
            'loom' => $run->loom === null ? '' : $in->looms()[$run->loom]->name ?? $run->loom,
            'from' => $in->locationName($run->a->location),
            'to' => $in->locationName($run->b->location),
            'cable' => $in->catalogue->cable($run->cable)->name ?? $run->cable,
            'metres' => $loaded->plan()->cut($run->id)->result->nanometres / 1e9,
        ], $of === null ? $runs : array_intersect_key($runs, array_flip($of)));
    }
}
