<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;

/** What lies in every way of an installation. */
final class WayLoads
{
    /**
     * @param  array<int|string, Route>  $routes  by run
     * @return array<int|string, WayLoad> by way
     */
    public static function weigh(Installation $installation, array $routes, Router $router): array
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
        $loads = [];
        foreach ($installation->ways() as $way) {
            $loads[$way->id] = self::load($installation, $way, $inside[$way->id]);
        }
        $checks = new WayChecks($installation, $routes, $router, $loads);
        foreach ($loads as $id => $load) {
            $loads[$id] = new WayLoad(
                $load->way,
                $load->runs,
                $load->families,
                $load->cables,
                $load->fill,
                $load->rule,
                $load->jam,
                $load->mass,
                $checks->of($load),
            );
        }

        return $loads;
    }

    /** @param  list<string>  $runs */
    private static function load(Installation $installation, Way $way, array $runs): WayLoad
    {
        $cables = LaidCables::among($installation, $runs);
        $families = array_count_values(array_map(static fn (CableType $cable): string => $cable->family, $cables));
        ksort($families);

        return new WayLoad(
            $way,
            $runs,
            $families,
            $cables,
            Filling::fill($way, $cables),
            FillRule::for($way, count($cables)),
            Filling::jam($way, $cables),
            Filling::mass($cables),
            [],
        );
    }
}
