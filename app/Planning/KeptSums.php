<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;

/**
 * How the figures of a list came about: written down when the list is made, and read one at a time, when somebody opens
 * one.
 */
final readonly class KeptSums
{
    /** Into which they are divided, so that whoever opens one does not read them all. */
    private const PARTS = 64;

    /** @param  string  $state  what the list was made of */
    public function __construct(private StoredInstallation $stored, private string $name, private string $state)
    {
    }

    /** @param  array<int|string, array<array-key, mixed>>  $sums  by what the list calls them */
    public function put(array $sums): void
    {
        $parts = [];
        foreach ($sums as $id => $sum) {
            $parts[self::part((string) $id)][$id] = $sum;
        }
        $bodies = [];
        foreach ($parts as $part => $of) {
            $bodies[$this->name.' '.$part] = gzencode(serialize($of), 1) ?: '';
        }
        Kept::putAll($this->stored, $bodies, $this->state);
    }

    /**
     * The same of a list that is too long to be in hand at once.
     *
     * @param  list<string>  $ids  what the list calls them
     * @param  Closure(list<string>): array<int|string, array<array-key, mixed>>  $make  of some of them, by id
     */
    public function fill(array $ids, Closure $make): void
    {
        $parts = [];
        foreach ($ids as $id) {
            $parts[self::part($id)][] = $id;
        }
        foreach ($parts as $of) {
            $this->put($make($of));
        }
    }

    /** @return ?array<array-key, mixed> null where the list was made of something else */
    public function of(string $id): ?array
    {
        $kept = Kept::get($this->stored, $this->name.' '.self::part($id), $this->state);
        $part = $kept === null ? null : unserialize((string) gzdecode($kept), ['allowed_classes' => false]);
        $sum = is_array($part) ? $part[$id] ?? null : null;

        return is_array($sum) ? $sum : null;
    }

    private static function part(string $id): int
    {
        return crc32($id) % self::PARTS;
    }
}
