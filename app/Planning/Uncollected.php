<?php

declare(strict_types=1);

namespace App\Planning;

/**
 * Runs a piece of work without PHP's cycle collector. An installation and its
 * plan are trees of some hundred thousand small objects with no cycles among
 * them: looking for some took more than half of the time (benchmarks/planning.php).
 */
final class Uncollected
{
    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public static function run(callable $work): mixed
    {
        $was = gc_enabled();
        gc_disable();
        try {
            return $work();
        } finally {
            if ($was) {
                gc_enable();
            }
        }
    }
}
