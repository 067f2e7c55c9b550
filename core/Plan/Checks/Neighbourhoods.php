<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\DisjointSets;
use Sartal\Core\Given\Installation\Installation;

/** An installation divided so that what is joined in one part says nothing about another. */
final class Neighbourhoods
{
    /**
     * @param  array<int|string, Assembly>  $assemblies
     * @param  array<int|string, string>  $assemblyOf  run → assembly
     * @return list<Neighbourhood> in the order of their first runs
     */
    public static function in(Installation $installation, array $assemblies, array $assemblyOf): array
    {
        $groups = new DisjointSets();
        $carrier = [];
        foreach ($installation->runs() as $id => $run) {
            $assembly = $assemblyOf[$id];
            $groups->add($assembly);
            foreach ($run->carries as $carriage) {
                $carrier[$carriage->circuit] ??= $assembly;
                if ($carrier[$carriage->circuit] !== $assembly) {
                    $groups->join($assembly, $carrier[$carriage->circuit]);
                }
            }
        }
        // What feeds a circuit belongs to it, wherever it is joined.
        $at = self::byFitting($assemblies);
        foreach ($installation->circuits() as $id => $circuit) {
            $fed = $at[$circuit->phantom] ?? null;
            if ($fed !== null) {
                $carrier[$id] ??= $fed;
                $groups->join($fed, $carrier[$id]);
            }
        }
        $runs = $circuits = $members = [];
        foreach ($installation->runs() as $run) {
            $runs[$groups->find($assemblyOf[$run->id])][] = $run->id;
        }
        foreach ($carrier as $circuit => $assembly) {
            $circuits[$groups->find($assembly)][] = (string) $circuit;
        }
        foreach ($assemblies as $assembly) {
            $members[$groups->find($assembly->id)][] = $assembly;
        }
        $found = [];
        foreach ($runs as $group => $of) {
            $found[] = new Neighbourhood(
                $members[$group] ?? throw new \LogicException('Runs without an assembly.'),
                $of,
                $circuits[$group] ?? [],
            );
        }

        return $found;
    }

    /**
     * @param  array<int|string, Assembly>  $assemblies
     * @return array<int|string, string> fitting → assembly
     */
    private static function byFitting(array $assemblies): array
    {
        $at = [];
        foreach ($assemblies as $assembly) {
            $at += array_fill_keys($assembly->fittings, $assembly->id);
        }

        return $at;
    }
}
