<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Runs;

use Closure;
use WeakMap;

/**
 * What was made of objects lately. What is asked for again later is made again: the joints of thousands of runs take
 * more room than there is, and are asked for run by run. Two generations stand for the order of use.
 *
 * @template K of object
 * @template T of array<mixed>|object
 */
final class Lately
{
    /** @var WeakMap<K, T> */
    private WeakMap $young;

    /** @var WeakMap<K, T> */
    private WeakMap $old;

    /** @param  positive-int  $most  objects in one generation */
    public function __construct(private readonly int $most = 1_000)
    {
        $this->young = new WeakMap();
        $this->old = new WeakMap();
    }

    /**
     * @param  K  $object
     * @param  Closure(): T  $make
     * @return T
     */
    public function of(object $object, Closure $make): array|object
    {
        $known = $this->young[$object] ?? null;
        if ($known !== null) {
            return $known;
        }
        $made = $this->old[$object] ?? $make();
        if (count($this->young) >= $this->most) {
            $this->old = $this->young;
            $this->young = new WeakMap();
        }
        $this->young[$object] = $made;

        return $made;
    }
}
