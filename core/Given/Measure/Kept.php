<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * What has been worked out of a value that never changes, kept with it for as
 * long as it lives. It is no part of the value: it is not written down with it,
 * and two values are the same whatever has been asked of them.
 */
final class Kept
{
    /** @var array<string, array<int|string, object>> */
    private array $found = [];

    /**
     * @template T of object
     *
     * @param  class-string<T>  $what
     * @param  string  $key  of what else it follows
     * @param  callable(): T  $find
     * @return T
     */
    public function once(string $what, string $key, callable $find): object
    {
        $found = $this->found[$what][$key] ?? null;
        if (! $found instanceof $what) {
            $found = $this->found[$what][$key] = $find();
        }

        return $found;
    }

    /**
     * The same of what is large and asked for again soon or not at all: the older half is forgotten where there are
     * too many.
     *
     * @template T of object
     *
     * @param  class-string<T>  $what
     * @param  string  $key  of what else it follows
     * @param  callable(): T  $find
     * @param  positive-int  $most
     * @return T
     */
    public function lately(string $what, string $key, callable $find, int $most): object
    {
        $known = count($this->found[$what] ?? []);
        if ($known >= $most && ! isset($this->found[$what][$key])) {
            $this->found[$what] = array_slice($this->found[$what] ?? [], intdiv($known, 2), null, true);
        }

        return $this->once($what, $key, $find);
    }

    /** @return array{} */
    public function __serialize(): array
    {
        return [];
    }

    /** @param  array<array-key, mixed>  $data */
    public function __unserialize(array $data): void
    {
        $this->found = [];
    }

    public function __clone()
    {
        $this->found = [];
    }
}
