<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;

/**
 * Something of every run that follows from what is decided. After a decision about a few of them, those alone are made
 * again.
 *
 * @template T
 */
final readonly class KeptOfRuns
{
    /** Into which they are divided, so that whoever changes one does not write them all. */
    private const PARTS = 32;

    /** Of those, how many are written with one question: they are all of it, and in hand besides. */
    private const TOGETHER = 16;

    /** s that others wait while one makes it. */
    private const PATIENCE = 120;

    /** Of these it is: whoever makes some of it may read what was decided meanwhile, and that is made again. */
    private string $decisions;

    /** @param  Closure(string): string  $state  decisions → what it is made of */
    public function __construct(private StoredInstallation $stored, private string $name, private Closure $state)
    {
        $this->decisions = $stored->decisions;
    }

    /**
     * @param  Closure(): array<int|string, T>  $all  of every run, by run, in their order
     * @param  Closure(list<string>): ?array<int|string, T>  $some  of some runs, by run; those that are gone are not in
     *     it; null where only all can be made
     * @return array<int|string, T> of every run, by run, in their order
     */
    public function of(Closure $all, Closure $some): array
    {
        return $this->known() ?? Kept::alone($this->stored, $this->name, self::PATIENCE, function () use (
            $all,
            $some,
        ): array {
            return $this->known() ?? ($this->brought($some) ?? $this->made($all));
        });
    }

    /**
     * The same, of some runs, without reading the others.
     *
     * @param  list<string>  $runs
     * @param  Closure(): array<int|string, T>  $all
     * @param  Closure(list<string>): ?array<int|string, T>  $some
     * @return array<int|string, T> by run; those that are gone are not in it
     */
    public function these(array $runs, Closure $all, Closure $some): array
    {
        $state = $this->state($this->decisions);
        $names = array_values(array_unique(array_map($this->part(...), $runs)));
        $parts = Kept::stateOf($this->stored, $this->name) === $state
            ? Kept::all($this->stored, $names, $state)
            : [];
        if (count($parts) < count($names)) {
            return array_intersect_key($this->of($all, $some), array_flip($runs));
        }
        $known = [];
        foreach ($parts as $body) {
            /** @var array<int|string, T> $part */
            $part = unserialize($body);
            $known += $part;
        }

        return array_intersect_key($known, array_flip($runs));
    }

    /** @return ?array<int|string, T> null where nobody has kept it, or not all of it */
    private function known(): ?array
    {
        $state = $this->state($this->decisions);
        $order = Kept::get($this->stored, $this->name, $state);
        if ($order === null) {
            return null;
        }
        $known = [];
        foreach (Kept::all($this->stored, $this->names(), $state) as $body) {
            /** @var array<int|string, T> $some */
            $some = unserialize($body);
            $known += $some;
        }
        $listed = [];
        foreach (self::list($order) as $run) {
            if (! array_key_exists($run, $known)) {
                return null;
            }
            $listed[$run] = $known[$run];
        }

        return $listed;
    }

    /**
     * @param  Closure(list<string>): ?array<int|string, T>  $some
     * @return ?array<int|string, T>
     */
    private function brought(Closure $some): ?array
    {
        $kept = Kept::last($this->stored, $this->name);
        if ($kept === null) {
            return null;
        }
        $runs = Lineage::since($this->stored, fn (string $at): bool => $this->state($at) === $kept['state']);
        $new = $runs === null ? null : $some($runs);
        if ($runs === null || $new === null) {
            return null;
        }
        $gone = array_flip($runs);
        $keys = [...$runs, ...array_map(strval(...), array_keys($new))];
        $parts = array_unique(array_map($this->part(...), $keys));
        $bodies = [];
        foreach (Kept::all($this->stored, array_values($parts), $kept['state']) as $name => $body) {
            /** @var array<int|string, T> $before */
            $before = unserialize($body);
            $bodies[$name] = array_diff_key($before, $gone);
        }
        foreach ($new as $run => $of) {
            $bodies[$this->part((string) $run)][$run] = $of;
        }
        $last = array_intersect($this->last($runs), array_map(strval(...), array_keys($new)));
        $order = array_filter(
            array_diff(self::list($kept['body']), $last),
            static fn (string $run): bool => ! isset($gone[$run]) || array_key_exists($run, $new),
        );
        $order = array_values(array_unique([...$order, ...$last, ...array_map(strval(...), array_keys($new))]));
        $state = $this->state($this->decisions);
        Kept::bring($this->stored, $this->names(), $kept['state'], $state);
        Kept::putAll($this->stored, array_map(serialize(...), $bodies) + [$this->name => serialize($order)], $state);

        return $this->known();
    }

    /**
     * A run that was taken out and is there again is the last one.
     *
     * @param  list<string>  $runs
     * @return list<string> those of them that come after all others
     */
    private function last(array $runs): array
    {
        $others = $this->stored->runs()->toBase()->reorder()->whereNotIn('key', $runs)->max('id');
        $last = $this->stored->runs()->toBase()->whereIn('key', $runs)->where('id', '>', (int) $others)
            ->orderBy('id')->pluck('key');

        return array_values(array_map(static fn (mixed $key): string => is_string($key) ? $key : '', $last->all()));
    }

    /**
     * @param  Closure(): array<int|string, T>  $all
     * @return array<int|string, T>
     */
    private function made(Closure $all): array
    {
        $made = $all();
        $parts = array_fill_keys($this->names(), []);
        foreach ($made as $run => $of) {
            $parts[$this->part((string) $run)][$run] = $of;
        }
        $state = $this->state($this->decisions);
        foreach (array_chunk($parts, self::TOGETHER, true) as $some) {
            Kept::putAll($this->stored, array_map(serialize(...), $some), $state);
        }
        $order = array_map(strval(...), array_keys($made));
        Kept::put($this->stored, $this->name, $state, serialize($order));

        return $made;
    }

    private function state(string $decisions): string
    {
        return ($this->state)($decisions);
    }

    /** @return list<string> */
    private static function list(string $order): array
    {
        $runs = unserialize($order, ['allowed_classes' => false]);

        return array_values(array_filter(is_array($runs) ? $runs : [], is_string(...)));
    }

    /** @return list<string> of all parts */
    private function names(): array
    {
        return array_map(fn (int $part): string => $this->name.' '.$part, range(0, self::PARTS - 1));
    }

    private function part(string $run): string
    {
        return $this->name.' '.crc32($run) % self::PARTS;
    }
}
