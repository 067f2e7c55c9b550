<?php

declare(strict_types=1);

namespace Sartal\Core\Installation;

use Sartal\Core\Catalogue\Catalogue;

/** The types that an installation really uses: what it pins, so that a newer catalogue does not change it. */
final class UsedTypes
{
    public static function of(Installation $installation): Catalogue
    {
        [$cables, $connectors, $signals, $plans] = [[], [], [], []];
        foreach ($installation->runs as $run) {
            $cables[$run->cable] = true;
            foreach ([...$run->a->legs, ...$run->b->legs] as $leg) {
                $plans[$leg->landing->plan ?? ''] = true;
            }
        }
        foreach ($installation->circuits as $circuit) {
            $signals[$circuit->signal] = true;
        }
        foreach ($installation->fittings as $fitting) {
            foreach ([$fitting->connector, ...array_values($fitting->inserts)] as $type) {
                $connectors[$type] = true;
            }
        }
        foreach ($installation->equipment as $device) {
            foreach ($device->ports as $port) {
                $connectors[$port->connector] = true;
                $plans[$port->plan ?? ''] = true;
            }
        }
        $all = $installation->catalogue;

        return new Catalogue(
            array_intersect_key($all->cables, $cables),
            array_intersect_key($all->connectors, $connectors),
            array_intersect_key($all->signals, $signals),
            array_intersect_key($all->plans, $plans),
        );
    }
}
