<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;

/** What lies in the ways of an installation: of each way as somebody asks. */
final class WayLoads
{
    /** @var array<int|string, list<string>> runs by way */
    private readonly array $inside;

    /** @var array<int|string, WayLoad> by way */
    private array $loads = [];

    /** @param  array<int|string, Route>  $routes  by run */
    public function __construct(private readonly Installation $installation, array $routes)
    {
        $inside = array_fill_keys(array_keys($installation->ways()), []);
        foreach ($routes as $id => $route) {
            if ($installation->theRun($id)->withdrawn) {
                continue;
            }
            foreach (array_unique($route->ways()) as $way) {
                $inside[$way][] = (string) $id;
            }
        }
        $this->inside = $inside;
    }

    /** @return list<string> runs that lie in a way, in order */
    public function inside(int|string $way): array
    {
        return $this->inside[$way] ?? [];
    }

    public function of(int|string $way): WayLoad
    {
        return $this->loads[$way] ??= $this->load($this->installation->theWay($way));
    }

    /** @return array<int|string, WayLoad> by way */
    public function all(): array
    {
        return array_map(fn (Way $way): WayLoad => $this->of($way->id), $this->installation->ways());
    }

    private function load(Way $way): WayLoad
    {
        $runs = $this->inside[$way->id];

        return WayLoad::of($way, $runs, LaidCables::among($this->installation, $runs));
    }
}
