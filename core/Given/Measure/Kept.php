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
