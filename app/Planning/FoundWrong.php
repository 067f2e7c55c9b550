<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;

/** How much is found in what is decided that is more than a note: counted once, and carried on by what is decided. */
final class FoundWrong
{
    private const NAME = 'found wrong';

    /** s that others wait while one counts. */
    private const PATIENCE = 120;

    /** @param  Closure(): Loaded  $load  what is decided, where it has to be counted */
    public static function count(StoredInstallation $stored, Closure $load): int
    {
        return self::known($stored) ?? Kept::alone(
            $stored,
            self::NAME,
            self::PATIENCE,
            static fn (): int => self::known($stored) ?? self::kept(
                $stored,
                self::since($stored) ?? $load()->plan()->wrong(),
            ),
        );
    }

    private static function known(StoredInstallation $stored): ?int
    {
        $kept = Kept::get($stored, self::NAME, self::state($stored->decisions));

        return $kept === null ? null : (int) $kept;
    }

    private static function since(StoredInstallation $stored): ?int
    {
        $kept = Kept::last($stored, self::NAME);
        $more = $kept === null
            ? null
            : Lineage::wrong($stored, static fn (string $at): bool => self::state($at) === $kept['state']);

        return $kept === null || $more === null ? null : (int) $kept['body'] + $more;
    }

    private static function kept(StoredInstallation $stored, int $count): int
    {
        Kept::put($stored, self::NAME, self::state($stored->decisions), (string) $count);

        return $count;
    }

    private static function state(string $decisions): string
    {
        return Kept::state(self::NAME, $decisions);
    }
}
