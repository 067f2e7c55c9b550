<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Wiring;

/**
 * The continuity map with pair test, as a function from wiring to reading:
 * each probe is touched in turn, and whatever conducts to it lights.
 */
final class MapMethod
{
    /** Ω up to which a lamp lights: common practice. */
    public const LAMP = 1000.0;

    public static function read(Wiring $wiring, TestSetup $setup): Reading
    {
        $piece = $wiring->pieces(self::LAMP);
        $members = [];
        foreach ($setup->watched() as $node => $_) {
            $members[$piece[$node] ?? $node][] = (string) $node;
        }
        $lights = [];
        foreach ($setup->touched() as $node => $_) {
            $node = (string) $node;
            $lights[$node] = array_values(array_diff($members[$piece[$node] ?? $node] ?? [], [$node]));
        }

        return new Reading($lights, self::splits($wiring, $setup->pairs));
    }

    /**
     * @param  list<string>  $rows  probed nodes
     * @return array<int|string, list<string>>
     */
    public static function lights(Wiring $wiring, TestSetup $setup, array $rows): array
    {
        $lights = [];
        foreach ($rows as $node) {
            $lit = array_intersect_key($wiring->reach($node, self::LAMP), $setup->watched());
            unset($lit[$node]);
            $lights[$node] = array_map(strval(...), array_keys($lit));
        }

        return $lights;
    }

    /**
     * Pairs whose contacts are not fed by one twist group. A contact that is
     * fed by none at all is open, which is not a split.
     *
     * @param  list<PairCheck>  $pairs
     * @return list<string>
     */
    public static function splits(Wiring $wiring, array $pairs): array
    {
        $split = [];
        foreach ($pairs as $pair) {
            $common = null;
            foreach ($pair->nodes as $node) {
                $groups = self::twists($wiring, $node);
                if ($groups === []) {
                    continue 2;
                }
                $common = $common === null ? $groups : array_intersect_key($common, $groups);
            }
            if ($common === []) {
                $split[] = $pair->id;
            }
        }

        return $split;
    }

    /** @return array<int|string, true> */
    private static function twists(Wiring $wiring, string $node): array
    {
        $groups = [];
        foreach ($wiring->reach($node, self::LAMP) as $reached => $_) {
            foreach ($wiring->at((string) $reached) as $edge) {
                if ($edge->kind === EdgeKind::Conductor && $edge->twist !== null) {
                    $groups[$edge->twist] = true;
                }
            }
        }

        return $groups;
    }
}
