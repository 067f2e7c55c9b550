<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Measure\Length;

/** What runs grow by where branches of their loom leave elsewhere than at their junction. */
final readonly class Detours
{
    public function __construct(private LoomTree $tree)
    {
    }

    /**
     * @param  list<BranchPlace>  $branches
     * @return array<int|string, list<Detour>> by run
     */
    public function past(array $branches): array
    {
        $moved = [];
        foreach ($branches as $branch) {
            $moved[$branch->at][$branch->into] = $branch->by->nanometres;
        }
        $detours = [];
        foreach ($this->tree->routes as $run => $route) {
            $places = [[$route->hops[0]->from, '', $route->hops[0]->way->id]];
            foreach ($route->hops as $i => $hop) {
                $places[] = [$hop->to, $hop->way->id, isset($route->hops[$i + 1]) ? $route->hops[$i + 1]->way->id : ''];
            }
            foreach ($places as [$place, $in, $out]) {
                $more = isset($moved[$place]) ? $this->more($place, $in, $out, $moved[$place]) : 0;
                if ($more > 0) {
                    $detours[$run][] = new Detour($place, Length::nanometres($more));
                }
            }
        }

        return $detours;
    }

    /**
     * What a run grows by at a junction, in nanometres: from one side to the
     * other along the trunk, with what each branch that it uses has been moved.
     *
     * @param  array<int|string, int>  $moved  branch → nanometres
     */
    private function more(string $place, string $in, string $out, array $moved): int
    {
        [$a, $b] = [$this->side($place, $in), $this->side($place, $out)];
        if ($a !== 0 && $b !== 0) {
            return 0;
        }
        if ($a === 0 && $b === 0) {
            [$one, $other] = [$moved[$in] ?? 0, $moved[$out] ?? 0];

            return abs($one) + abs($one - $other) + abs($other);
        }
        [$side, $by] = $a !== 0 ? [$a, $moved[$out] ?? 0] : [$b, $moved[$in] ?? 0];

        // To the parent's side a branch that is moved past doubles back; to the other, one moved before.
        return abs($by) - $side * $by;
    }

    /** Of the trunk at a junction: -1 towards the root, 1 away from it, 0 for a branch or an end. */
    private function side(string $place, string $way): int
    {
        return match (true) {
            $way === '' => 0,
            $way === ($this->tree->parent[$place]->id ?? '') => -1,
            $way === $this->tree->main($place)?->id => 1,
            default => 0,
        };
    }
}
