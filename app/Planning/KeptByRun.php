<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;

/**
 * Something of every run, kept so many together: all of it as one text would be as much again as all of it.
 *
 * @template T
 */
final readonly class KeptByRun
{
    /** Runs that are kept together. */
    private const SOME = 200;

    /** Of those, how many are read or written with one question. */
    private const TOGETHER = 8;

    /** s that others wait while one works it out. */
    private const PATIENCE = 120;

    /** @param  string  $state  what it was made of */
    public function __construct(private StoredInstallation $stored, private string $name, private string $state)
    {
    }

    /**
     * @param  list<string>  $runs  ids of all there are
     * @param  Closure(): array<int|string, T>  $make  of all of them, by run
     * @return array<int|string, T> by run
     */
    public function all(array $runs, Closure $make): array
    {
        return $this->known($runs) ??
            Kept::alone($this->stored, $this->name, self::PATIENCE, function () use ($runs, $make): array {
                $known = $this->known($runs);
                if ($known === null) {
                    $known = $make();
                    $this->keep($runs, $known);
                }

                return $known;
            });
    }

    /**
     * @param  list<string>  $runs
     * @return ?array<int|string, T> null where nobody has kept it, or not all of it
     */
    private function known(array $runs): ?array
    {
        $names = array_map($this->name(...), array_keys(array_chunk($runs, self::SOME)));
        $known = [];
        foreach (array_chunk($names, self::TOGETHER) as $together) {
            $kept = Kept::all($this->stored, $together, $this->state);
            if (count($kept) < count($together)) {
                return null;
            }
            foreach ($kept as $body) {
                /** @var array<int|string, T> $some */
                $some = unserialize($body);
                $known += $some;
            }
        }

        return $known;
    }

    /**
     * @param  list<string>  $runs
     * @param  array<int|string, T>  $known
     */
    private function keep(array $runs, array $known): void
    {
        foreach (array_chunk(array_chunk($runs, self::SOME), self::TOGETHER, true) as $together) {
            $bodies = [];
            foreach ($together as $i => $some) {
                $bodies[$this->name($i)] = serialize(array_intersect_key($known, array_flip($some)));
            }
            Kept::putAll($this->stored, $bodies, $this->state);
        }
    }

    private function name(int $part): string
    {
        return $this->name.' '.$part;
    }
}
