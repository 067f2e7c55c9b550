<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\Kept;

/**
 * Jobs, each under a print of all that it follows from: a decision that does not touch it leaves it where it is, and
 * whoever opens one that nobody has opened reads neither the installation nor its plan.
 */
final class JobShelf
{
    /**
     * Under which a job is kept.
     *
     * @param  array<int|string, string>  $prints  by assembly
     */
    public static function name(array $prints): string
    {
        ksort($prints, SORT_STRING);

        return 'job '.hash('xxh128', serialize($prints));
    }

    public static function get(StoredInstallation $stored, string $name): ?Job
    {
        $kept = Kept::get($stored, $name, self::state());
        $job = $kept === null ? null : unserialize($kept);

        return $job instanceof Job ? $job : null;
    }

    /** @param  list<Job>  $jobs  each with the name under which it is kept */
    public static function put(StoredInstallation $stored, array $jobs): void
    {
        $bodies = [];
        foreach ($jobs as $job) {
            $bodies[$job->keptAs] = Kept::packed(serialize($job));
        }
        Kept::putAll($stored, $bodies, self::state());
    }

    private static function state(): string
    {
        return Kept::state('job');
    }
}
