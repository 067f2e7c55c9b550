<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Measure\Names;

/**
 * What leads from one connector of an assembly to another: jumpers, switches, splices.
 */
final class AssemblyBridges
{
    /** A place that wires come to, in words: "M-201 B, contact C4". */
    public static function place(string $node, Installation $in): string
    {
        $fitting = Node::fitting($node);

        return $fitting === null
            ? Node::place($node)->splice ?? $node
            : sprintf('%s, contact %s', $in->fitting($fitting)->label ?? $fitting, Node::address($node));
    }

    /** @return list<array{from: string, to: string, note: string, words: string}> */
    public static function jumpers(Assembly $assembly, Installation $in): array
    {
        return array_map(
            static fn (Link $link): array => [
                'from' => $link->from,
                'to' => $link->to,
                'note' => $link->note,
                'words' => self::between($link, $in),
            ],
            array_values(array_filter(
                $in->links(),
                static fn (Link $link): bool => self::isOf($assembly, $link, $in),
            )),
        );
    }

    /** @return list<array{id: string, name: string, from: string, to: string, closed: bool, words: string}> */
    public static function switches(Assembly $assembly, Installation $in): array
    {
        return array_map(
            static fn (PanelSwitch $switch): array => [
                'id' => $switch->id,
                'name' => $switch->name,
                'from' => $switch->from,
                'to' => $switch->to,
                'closed' => $switch->closedAtRest,
                'words' => self::between($switch, $in),
            ],
            array_values(array_filter(
                $in->switches(),
                static fn (PanelSwitch $switch): bool => self::isOf($assembly, $switch, $in),
            )),
        );
    }

    /**
     * @param  list<Joint>  $joints
     * @return list<array{id: string, comes: list<string>}>
     */
    public static function splices(Assembly $assembly, array $joints, Installation $in): array
    {
        $comes = [];
        foreach ($joints as $joint) {
            if (! Node::isTerminal($joint->to)) {
                $run = $in->theRun($joint->run);
                $cable = $in->catalogue->cable($run->cable);
                $comes[Node::place($joint->to)->splice ?? ''][] = sprintf(
                    '%s %s %s',
                    $run->code,
                    $joint->side->value,
                    $cable === null ? $joint->conductor : AssemblyRunResource::label($joint->conductor, $cable),
                );
            }
        }

        return array_map(
            static fn (string $id, array $of): array => ['id' => $id, 'comes' => $of],
            Names::from($comes),
            array_values($comes),
        );
    }

    private static function between(Link|PanelSwitch $between, Installation $in): string
    {
        return self::place(Node::named($between->from), $in).' – '.self::place(Node::named($between->to), $in);
    }

    private static function isOf(Assembly $assembly, Link|PanelSwitch $between, Installation $in): bool
    {
        foreach ([$between->from, $between->to] as $end) {
            $fitting = Node::fitting(Node::named($end));
            if ($fitting !== null && in_array($fitting, $assembly->fittings, true)) {
                return true;
            }
        }

        return false;
    }
}
