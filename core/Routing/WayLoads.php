<?php

declare(strict_types=1);

namespace Sartal\Core\Routing;

use Sartal\Core\Catalogue\CableType;
use Sartal\Core\Installation\Installation;
use Sartal\Core\Installation\Way;

/** What lies in every way of an installation. */
final class WayLoads
{
    /**
     * @param  array<int|string, Route>  $routes  by run
     * @return array<int|string, WayLoad> by way
     */
    public static function of(Installation $installation, array $routes, Router $router): array
    {
        $inside = array_fill_keys(array_keys($installation->ways), []);
        foreach ($routes as $id => $route) {
            if ($installation->runs[$id]->withdrawn) {
                continue;
            }
            foreach (array_unique($route->ways()) as $way) {
                $inside[$way][] = (string) $id;
            }
        }
        $loads = [];
        foreach ($installation->ways as $way) {
            $loads[$way->id] = self::load($installation, $way, $inside[$way->id]);
        }
        $checks = new WayChecks($installation, $routes, $router, $loads);
        foreach ($loads as $id => $load) {
            $loads[$id] = new WayLoad($load->way, $load->runs, $load->families, $load->cables, $load->fill, $load->rule, $load->jam, $load->mass, $checks->of($load));
        }

        return $loads;
    }

    /** @param  list<string>  $runs */
    private static function load(Installation $installation, Way $way, array $runs): WayLoad
    {
        $cables = self::cables($installation, $runs);
        $families = array_count_values(array_map(static fn (CableType $cable): string => $cable->family, $cables));
        ksort($families);

        return new WayLoad($way, $runs, $families, $cables, Filling::fill($way, $cables), FillRule::for($way, count($cables)), Filling::jam($way, $cables), Filling::mass($cables), []);
    }

    /**
     * @param  list<string>  $runs
     * @return list<CableType> as many as runs whose type is known
     */
    public static function cables(Installation $installation, array $runs): array
    {
        return array_values(array_filter(array_map(static fn (string $run): ?CableType => $installation->catalogue->cables[$installation->runs[$run]->cable] ?? null, $runs)));
    }
}
