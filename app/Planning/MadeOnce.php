<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;

/**
 * What many ask for again and again, and what takes long to make. One makes it; the others are told meanwhile what was
 * true a moment ago, and wait only where nothing was. One of each is kept: the next takes its place.
 */
final class MadeOnce
{
    /** s that others wait where nothing was true a moment ago. */
    private const PATIENCE = 120;

    /**
     * @template T of array<array-key, mixed>
     *
     * @param  string  $name  of what is asked for
     * @param  string  $state  changes with everything that it follows from: {@see Kept::state()}
     * @param  Closure(): T  $make
     * @return T
     */
    public static function of(StoredInstallation $stored, string $name, string $state, Closure $make): array
    {
        [$made, $known] = self::kept($stored, $name);
        if ($known !== null && $made === $state) {
            /** @var T */
            return $known;
        }
        $making = static function () use ($stored, $name, $state, $make): array {
            [$made, $known] = self::kept($stored, $name);
            if ($known === null || $made !== $state) {
                $known = $make();
                Kept::put($stored, $name, $state, serialize($known));
            }

            return $known;
        };
        if ($known === null) {
            /** @var T */
            return Kept::alone($stored, $name, self::PATIENCE, $making);
        }

        /** @var T */
        return Kept::unlessMade($stored, $name, $making) ?? $known;
    }

    /** @return array{string, ?array<array-key, mixed>} the state that it was made of, and what it is; null: nothing */
    private static function kept(StoredInstallation $stored, string $name): array
    {
        $kept = Kept::last($stored, $name);
        $known = $kept === null ? null : unserialize($kept['body'], ['allowed_classes' => false]);

        return [$kept['state'] ?? '', is_array($known) ? $known : null];
    }
}
