<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Ways\Routing\Route;
use Sartal\Core\Ways\Routing\Router;

/**
 * What lies in the ways of an installation of which a part is in hand: its own runs, and of the rest as much as counts
 * for ways.
 */
final readonly class Lying
{
    /** @param  array<int|string, Route>  $routes  by run */
    private function __construct(public Installation $in, public array $routes)
    {
    }

    /**
     * @param  array<int|string, Route>  $routes  of its own runs
     * @param  array<int|string, mixed>  $gone  by run, what of the rest is there no longer
     */
    public static function in(Installation $part, array $routes, Router $router, Rest $rest, array $gone): self
    {
        $runs = [];
        foreach (array_diff_key($rest->runs, $gone) as $id => $lies) {
            $run = $part->run($id) ?? $lies;
            $runs += $run === null ? [] : [$id => $run];
        }
        $runs += $part->runs();
        $others = $rest->routes($router);

        return new self(
            $part->changed(['runs' => $runs]),
            array_map(static fn (Run $run): Route => $routes[$run->id] ?? $others[$run->id], $runs),
        );
    }

    /**
     * Where it begins and ends, with which cable, by which ways: it has no ends that could get stuck.
     *
     * @param  string  $cable  "" where it is withdrawn
     * @param  string  $course  {@see Course}
     * @param  list<string>  $pinned  ways
     * @return ?Run null where it lies in no way
     */
    public static function run(string $id, string $code, string $cable, string $course, array $pinned): ?Run
    {
        if ($cable === '' || $course === '') {
            return null;
        }
        $of = Course::read($course);
        $none = Length::zero();
        $end = static fn (string $place): End => new End($place, $none, $none, $none, 0, []);

        return new Run($id, $code, $cable, Build::Site, $end($of->from), $end($of->to), $pinned, []);
    }
}
