<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\DisjointSets;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;

/** Finds every point of an assembly that can be touched, and which are probed against which. */
final class SetupBuilder
{
    /** @param  list<Joint>  $joints of the assembly's runs */
    public static function build(Assembly $assembly, array $joints, Installation $installation): TestSetup
    {
        $probes = [];
        $sides = self::sides($joints, $installation);
        $serves = self::serves($joints);
        $channels = array_column(
            array_map(static fn (Joint $joint): array => [$joint->to, $joint->channel], $joints),
            1,
            0,
        );
        foreach ($assembly->fittings as $id) {
            $fitting = $installation->fitting($id);
            $layout = $fitting === null ? null : FittingLayout::unfolded($fitting, $installation->catalogue);
            foreach ($layout?->addresses() ?? [] as $address) {
                $node = Node::terminal($id, $address);
                $probes[$node] = new Probe(
                    $node,
                    $sides[$id][0] ?? Side::A,
                    $id,
                    $address,
                    $serves[$node] ?? '',
                    $channels[$node] ?? '',
                );
            }
        }
        $probes += self::openEnds($assembly, $joints, $installation);
        $twoSided = array_filter($sides, static fn (array $of): bool => count($of) > 1) === [];
        $a = array_filter($probes, static fn (Probe $probe): bool => $probe->side === Side::A);
        $b = array_diff_key($probes, $a);
        [$from, $to] = $twoSided && $a !== [] && $b !== [] ? [$a, $b] : [$probes, $probes];

        $pairs = self::pairs($joints, $from, $installation);

        return new TestSetup(
            $from,
            $to,
            $pairs,
            MakeupBuilder::build($assembly, $joints, [$from, $to], $pairs, $installation),
        );
    }

    /**
     * The sides of the runs that end in a fitting. One that no run ends in, as
     * a panel's second output, is where its links and switches lead.
     *
     * @param  list<Joint>  $joints
     * @return array<int|string, list<Side>> by fitting
     */
    private static function sides(array $joints, Installation $installation): array
    {
        $sides = [];
        $panel = new DisjointSets();
        foreach ($joints as $joint) {
            $place = self::place($joint->to);
            $panel->add($place);
            if (! in_array($joint->side, $sides[$place] ?? [], true)) {
                $sides[$place][] = $joint->side;
            }
        }
        foreach ([...$installation->links(), ...array_values($installation->switches())] as $between) {
            $panel->join(self::place(Node::named($between->from)), self::place(Node::named($between->to)));
        }
        foreach ($panel->groups() as $places) {
            $known = array_merge(...array_map(static fn (string $place): array => $sides[$place] ?? [], $places));
            foreach ($places as $place) {
                $sides[$place] ??= array_slice($known, 0, 1);
            }
        }

        return $sides;
    }

    /** The fitting of a terminal; a splice stands for itself. */
    private static function place(string $node): string
    {
        return Node::fitting($node) ?? $node;
    }

    /**
     * @param  list<Joint>  $joints
     * @return array<int|string, string>
     */
    private static function serves(array $joints): array
    {
        $serves = [];
        foreach ($joints as $joint) {
            $serves[$joint->to] ??= $joint->function;
        }

        return $serves;
    }

    /**
     * @param  list<Joint>  $joints
     * @return array<int|string, Probe>
     */
    private static function openEnds(Assembly $assembly, array $joints, Installation $installation): array
    {
        $made = [];
        foreach ($joints as $joint) {
            $made[$joint->run.$joint->side->value] = true;
        }
        $probes = [];
        foreach ($assembly->runs as $id) {
            $run = $installation->run($id);
            $cable = $run === null ? null : $installation->catalogue->cable($run->cable);
            foreach (Side::cases() as $side) {
                if ($cable === null || isset($made[$id.$side->value])) {
                    continue;
                }
                foreach ($cable->conductors() as $path => $_) {
                    $node = Node::conductor($id, $side, (string) $path);
                    $probes[$node] = new Probe($node, $side, '', (string) $path, '');
                }
            }
        }

        return $probes;
    }

    /**
     * @param  list<Joint>  $joints
     * @param  array<int|string, Probe>  $from
     * @return list<PairCheck>
     */
    private static function pairs(array $joints, array $from, Installation $installation): array
    {
        $contacts = [];
        foreach ($joints as $joint) {
            if (isset($from[$joint->to])) {
                $contacts[$joint->circuit][Node::fitting($joint->to)."\0".$joint->channel][$joint->function] =
                    $joint->to;
            }
        }
        $pairs = [];
        foreach ($contacts as $circuit => $places) {
            $signal = $installation->catalogue->signal($installation->circuit($circuit)->signal ?? '');
            foreach ($places as $functions) {
                foreach ($signal->differential ?? [] as $group) {
                    $nodes = array_values(array_intersect_key($functions, array_flip($group)));
                    if (count($nodes) === count($group)) {
                        $pairs[] = new PairCheck(implode('|', $nodes), $nodes);
                    }
                }
            }
        }

        return $pairs;
    }
}
