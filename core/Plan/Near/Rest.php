<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Ways\Routing\Route;
use Sartal\Core\Ways\Routing\Router;

/** What lies in ways besides a part: before an edit and since it lies the same, so that where is found once. */
final class Rest
{
    /** @var ?array<int|string, Route> */
    private ?array $routes = null;

    /** @param  array<int|string, ?Run>  $runs  {@see Cards::lying}, of which those of the part are as they are there */
    public function __construct(public readonly array $runs)
    {
    }

    /** @return array<int|string, Route> by run, of all that lie in ways */
    public function routes(Router $router): array
    {
        return $this->routes ??= array_map($router->route(...), array_filter($this->runs));
    }
}
