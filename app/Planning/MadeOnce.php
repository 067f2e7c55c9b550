<?php

declare(strict_types=1);

namespace App\Planning;

use Closure;
use Illuminate\Contracts\Cache\LockProvider;
use Illuminate\Support\Facades\Cache;
use LogicException;

/**
 * What many ask for again and again, and what takes long to make. One makes it; the others are told meanwhile what was
 * true a moment ago, and wait only where nothing was. One of each is kept: the next takes its place.
 */
final class MadeOnce
{
    /** s; whoever makes it and dies leaves it to another after that. */
    private const PATIENCE = 120;

    private const KEPT = 7 * 24 * 3600;

    /**
     * @template T of array<array-key, mixed>
     *
     * @param  string  $name  of what is asked for, and of which installation
     * @param  string  $state  changes with everything that it follows from
     * @param  Closure(): T  $make
     * @return T
     */
    public static function of(string $name, string $state, Closure $make): array
    {
        $kept = self::kept($name);
        if ($kept !== null && $kept['state'] === $state) {
            /** @var T */
            return $kept['value'];
        }
        $store = Cache::store('file')->getStore();
        if (! ($store instanceof LockProvider)) {
            throw new LogicException('What is kept in files is made under a lock.');
        }
        $lock = $store->lock($name.'.made', self::PATIENCE);
        $making = static function () use ($name, $state, $make): array {
            $kept = self::kept($name);
            $value = $kept !== null && $kept['state'] === $state ? $kept['value'] : $make();
            Cache::store('file')->put($name, ['state' => $state, 'value' => $value], self::KEPT);

            return $value;
        };
        if ($kept === null) {
            /** @var T */
            return $lock->block(self::PATIENCE, $making);
        }
        $made = $lock->get($making);

        /** @var T */
        return is_array($made) ? $made : $kept['value'];
    }

    /** @return ?array{state: string, value: array<array-key, mixed>} */
    private static function kept(string $name): ?array
    {
        $kept = Cache::store('file')->get($name);

        return is_array($kept) && is_string($kept['state'] ?? null) && is_array($kept['value'] ?? null)
            ? ['state' => $kept['state'], 'value' => $kept['value']]
            : null;
    }
}
