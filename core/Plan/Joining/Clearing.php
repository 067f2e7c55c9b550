<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Mating;

/** Connectors that nothing comes to any more go, and what was said of them with them. */
final readonly class Clearing
{
    /**
     * @param  array<int|string, true>  $gone  fittings
     * @param  array<int|string, true>  $circuits  that were said to begin or end at one of them
     * @param  bool  $unplugged  whether one of them was plugged into something
     */
    private function __construct(
        public Installation $in,
        public array $gone,
        public array $circuits,
        public bool $unplugged,
    ) {
    }

    /**
     * @param  array<int|string, true>  $among  fittings that may be in use no more
     * @return ?self null where all of them are
     */
    public static function of(Installation $in, array $among): ?self
    {
        $gone = array_diff_key($among, self::inUse($in));
        if ($gone === []) {
            return null;
        }
        $there = array_intersect_key($gone, $in->fittings());
        $matings = array_values(array_filter(
            $in->matings(),
            static fn (Mating $mating): bool => ! isset($there[$mating->fitting]) && ! isset($there[$mating->with]),
        ));
        $circuits = $in->circuits();
        $others = [];
        foreach ($circuits as $id => $circuit) {
            $without = $circuit->without($there);
            if ($without !== $circuit) {
                $circuits[$id] = $without;
                $others[$id] = true;
            }
        }

        return new self(
            $in->changed([
                'fittings' => array_diff_key($in->fittings(), $there),
                'circuits' => $circuits,
                'matings' => $matings,
            ]),
            $there,
            $others,
            count($matings) !== count($in->matings()),
        );
    }

    /** @return array<int|string, true> fittings that something comes to, or that a panel holds */
    private static function inUse(Installation $in): array
    {
        $used = [];
        foreach ($in->runs() as $run) {
            $used += array_fill_keys($run->fittings(), true);
            foreach ([...$run->a->handJoints, ...$run->b->handJoints] as $joint) {
                $used[JoiningPlace::from($joint->to ?? '')->fitting] = true;
            }
        }
        foreach ([...$in->links(), ...array_values($in->switches())] as $between) {
            $used[JoiningPlace::from($between->from)->fitting] = true;
            $used[JoiningPlace::from($between->to)->fitting] = true;
        }
        foreach ($in->panels() as $panel) {
            $used += array_fill_keys($panel->places, true);
        }

        return $used;
    }
}
