<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;

/** Groups runs into assemblies: runs that share a fitting, a splice or a link belong together. */
final class Assemblies
{
    /** @return array<int|string, Assembly> by id */
    public static function find(Installation $installation): array
    {
        $groups = new DisjointSets();
        foreach ($installation->runs() as $run) {
            $groups->add('r:'.$run->id);
            foreach (self::anchors($run) as $anchor) {
                $groups->join('r:'.$run->id, $anchor);
            }
        }
        foreach ([...$installation->links(), ...array_values($installation->switches())] as $between) {
            $groups->join(self::anchor(Node::named($between->from)), self::anchor(Node::named($between->to)));
        }
        $assemblies = [];
        foreach ($groups->groups() as $members) {
            $runs = self::named($members, 'r:');
            if ($runs !== []) {
                sort($runs, SORT_STRING);
                $assemblies[$runs[0]] = new Assembly($runs[0], $runs, self::named($members, 'f:'));
            }
        }
        ksort($assemblies, SORT_STRING);

        return $assemblies;
    }

    /** @return list<string> names of what a run is joined to: by what is in two runs' lists these are one assembly */
    public static function anchors(Run $run): array
    {
        $anchors = array_map(static fn (string $id): string => 'f:'.$id, $run->fittings());
        foreach ([$run->a, $run->b] as $end) {
            foreach ($end->handJoints as $exception) {
                if ($exception->to !== null) {
                    $anchors[] = self::anchor(Node::named($exception->to));
                }
            }
        }

        return $anchors;
    }

    /** What a node belongs to: a fitting, or itself. */
    public static function anchor(string $node): string
    {
        $fitting = Node::fitting($node);

        return $fitting === null ? $node : 'f:'.$fitting;
    }

    /**
     * @param  list<string>  $members
     * @return list<string>
     */
    private static function named(array $members, string $prefix): array
    {
        $names = [];
        foreach ($members as $member) {
            if (str_starts_with($member, $prefix)) {
                $names[] = substr($member, strlen($prefix));
            }
        }

        return $names;
    }
}
