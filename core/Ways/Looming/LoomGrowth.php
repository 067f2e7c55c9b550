<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Names;

/**
 * Grows a loom from its root. A branch leaves at its junction unless somebody
 * moved it: before the junction it lies beside the rest on the way there, past
 * it the branch goes back. Ways keep their lengths.
 */
final class LoomGrowth
{
    /** @var list<Segment> */
    private array $segments = [];

    /** @var list<BranchPlace> */
    private array $branches = [];

    /** @var list<LoomEnd> */
    private array $ends = [];

    /** @var list<Finding> */
    private array $findings = [];

    /** @param  array<int|string, Run>  $members */
    private function __construct(
        private readonly Loom $loom,
        private readonly array $members,
        private readonly Installation $installation,
        private readonly LoomTree $tree,
    ) {
    }

    /** @param  array<int|string, Run>  $members  that lie in its tree */
    public static function from(
        string $root,
        Loom $loom,
        array $members,
        Installation $installation,
        LoomTree $tree,
    ): self {
        $grown = new self($loom, $members, $installation, $tree);
        $grown->grow($root, null, Length::zero());
        $grown->strays();

        return $grown;
    }

    /** @return list<Segment> */
    public function segments(): array
    {
        return $this->segments;
    }

    /** @return list<BranchPlace> */
    public function branches(): array
    {
        return $this->branches;
    }

    /** @return list<LoomEnd> */
    public function ends(): array
    {
        return $this->ends;
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        return $this->findings;
    }

    private function grow(string $place, ?string $before, Length $start): void
    {
        $main = $this->tree->main($place);
        $leaving = $this->branchesAt($place, $start);
        foreach ($leaving as $branch) {
            if ($branch->by->isZero()) {
                $this->branch($branch, $before, $start);
            }
        }
        if ($main !== null) {
            $this->along(
                $main,
                $place,
                $before,
                $start,
                array_filter(
                    $leaving,
                    static fn (BranchPlace $branch): bool => $branch->by->compare(Length::zero()) > 0,
                ),
            );
        } else {
            // At a tip the ends leave the loom where it ends.
            $this->leave($place, $before, $start, Length::zero());
        }
    }

    /**
     * Branches that leave the trunk at a place: other ways than the main one, and ends where the loom goes on.
     *
     * @return list<BranchPlace>
     */
    private function branchesAt(string $place, Length $start): array
    {
        $main = $this->tree->main($place);
        if ($main === null) {
            return [];
        }
        $found = [];
        foreach (array_slice($this->tree->children[$place], 1) as $way) {
            $found[] = $this->placed($place, $way->id, $start, $this->tree->in[$way->id]);
        }
        $ending = $this->ending($place);
        if ($ending !== []) {
            $found[] = $this->placed($place, '', $start, Names::from($ending));
        }
        array_push($this->branches, ...$found);

        return $found;
    }

    /** @param  list<string>  $members */
    private function placed(string $place, string $into, Length $start, array $members): BranchPlace
    {
        $parent = $this->tree->parent[$place] ?? null;
        $least = $parent === null ? Length::zero() : $parent->length->times(-1);
        $most = $this->tree->main($place)->length ?? Length::zero();
        $by = $this->loom->moved($place, $into);
        $kept = $by->compare($least) < 0 ? $least : ($by->compare($most) > 0 ? $most : $by);
        if ($kept->compare($by) !== 0) {
            $this->findings[] = Finding::check(
                'loom.breakout-beyond',
                Subject::loom($this->loom->id),
                sprintf(
                    'A breakout of %s at %s is moved by %s, and the way there ends at %s.',
                    $this->loom->name,
                    $this->installation->placeName($place),
                    $by->canonical(),
                    $kept->canonical(),
                ),
                'Move it back between the neighbouring junctions.',
            );
        }

        return new BranchPlace($place, $into, $start, $kept, $least, $most, $members);
    }

    /**
     * A way of the loom from its near end to its far one, in stretches along which the same runs lie together.
     *
     * @param  array<BranchPlace>  $past  branches of the near end that leave on this way
     */
    private function along(Way $way, string $place, ?string $before, Length $start, array $past): void
    {
        $far = (string) $way->across($place);
        $end = $start->plus($way->length);
        $early = array_filter($this->movedBack($far), static fn (Length $by): bool => $by->isNegative());
        $cuts = [0 => Length::zero(), $way->length->nanometres => $way->length];
        foreach ($past as $branch) {
            $cuts[$branch->by->nanometres] = $branch->by;
        }
        foreach ($early as $by) {
            $cut = $way->length->plus($by);
            $cuts[$cut->nanometres] = $cut;
        }
        ksort($cuts);
        $cuts = array_values($cuts);
        $branches = $early === [] ? [] : $this->peek($far, $end);
        $this->leaveAt($branches, $past, Length::zero(), $way->length, $before, $start);
        for ($i = 0; $i + 1 < count($cuts); $i++) {
            $segment = new Segment(
                $way->id.($i === 0 ? '' : '~'.$i),
                $before,
                $way,
                $cuts[$i],
                $cuts[$i + 1],
                $start->plus($cuts[$i]),
                $this->bundle($way, $cuts[$i], $cuts[$i + 1], $past, $branches),
            );
            if ($segment->members !== []) {
                $this->segments[] = $segment;
                $before = $segment->id;
            }
            if ($i + 2 < count($cuts)) {
                $this->leaveAt($branches, $past, $cuts[$i + 1], $way->length, $before, $start);
            }
        }
        foreach ($past as $branch) {
            if ($branch->by->compare($way->length) === 0) {
                $this->branch($branch, $before, $end);
            }
        }
        $this->grow($far, $before, $end);
    }

    /** @return list<Length> */
    private function movedBack(string $place): array
    {
        return array_map(static fn (BranchPlace $branch): Length => $branch->by, $this->peek($place, Length::zero()));
    }

    /**
     * The branches at a place, without taking note of them.
     *
     * @return list<BranchPlace>
     */
    private function peek(string $place, Length $start): array
    {
        [$branches, $findings] = [$this->branches, $this->findings];
        $found = $this->branchesAt($place, $start);
        [$this->branches, $this->findings] = [$branches, $findings];

        return $found;
    }

    /**
     * Branches that leave at a distance along a way.
     *
     * @param  list<BranchPlace>  $early  of its far end
     * @param  array<BranchPlace>  $past  of its near end
     */
    private function leaveAt(array $early, array $past, Length $at, Length $whole, ?string $before, Length $start): void
    {
        foreach ($early as $branch) {
            if ($branch->by->isNegative() && $whole->plus($branch->by)->compare($at) === 0) {
                $this->branch($branch, $before, $start->plus($at));
            }
        }
        foreach ($past as $branch) {
            if ($branch->by->compare($at) === 0) {
                $this->branch($branch, $before, $start->plus($at));
            }
        }
    }

    /**
     * Who lies together in a stretch of a way: its own, but for branches that have left or are still to come back.
     *
     * @param  array<BranchPlace>  $past
     * @param  list<BranchPlace>  $early
     * @return list<string>
     */
    private function bundle(Way $way, Length $from, Length $to, array $past, array $early): array
    {
        $here = array_fill_keys($this->tree->in[$way->id], true);
        foreach ($past as $branch) {
            if ($to->compare($branch->by) <= 0) {
                $here = self::exchanged($here, $branch->members);
            }
        }
        foreach ($early as $branch) {
            if ($branch->by->isNegative() && $from->compare($way->length->plus($branch->by)) >= 0) {
                $here = self::exchanged($here, $branch->members);
            }
        }

        return array_map(strval(...), array_keys($here));
    }

    /**
     * Members of a branch that would pass have left; those that would not come along and go back.
     *
     * @param  array<int|string, true>  $here
     * @param  list<string>  $members
     * @return array<int|string, true>
     */
    private static function exchanged(array $here, array $members): array
    {
        foreach ($members as $run) {
            if (isset($here[$run])) {
                unset($here[$run]);
            } else {
                $here[$run] = true;
            }
        }

        return $here;
    }

    /** A branch from where it leaves the trunk. */
    private function branch(BranchPlace $branch, ?string $before, Length $start): void
    {
        if ($branch->into === '') {
            $beside = $branch->by->isNegative() ? $branch->by->times(-1) : $branch->by;
            $this->leave($branch->at, $before, $start, $beside);

            return;
        }
        $way = $this->installation->theWay($branch->into);
        if (! $branch->by->isZero()) {
            $trunk = $branch->by->isNegative() ? $this->tree->parent[$branch->at] : $this->tree->main($branch->at);
            assert($trunk !== null);
            [$from, $to] = $branch->by->isNegative()
                ? [$trunk->length->plus($branch->by), $trunk->length]
                : [$branch->by, Length::zero()];
            $leg = new Segment($branch->into.'~leg', $before, $trunk, $from, $to, $start, $branch->members, true);
            $this->segments[] = $leg;
            [$before, $start] = [$leg->id, $leg->end()];
        }
        $this->along($way, $branch->at, $before, $start, []);
    }

    private function leave(string $place, ?string $before, Length $start, Length $beside): void
    {
        foreach ($this->ending($place) as $run => $sides) {
            foreach ($sides as $side) {
                $this->ends[] = new LoomEnd((string) $run, $side, $place, $before, $start, $beside);
            }
        }
    }

    /** @return array<int|string, list<Side>> run → its sides at a place */
    private function ending(string $place): array
    {
        $ending = [];
        foreach ($this->members as $run) {
            foreach (Side::cases() as $side) {
                if ($run->end($side)->location === $place) {
                    $ending[$run->id][] = $side;
                }
            }
        }

        return $ending;
    }

    /** Breakouts that were moved and are none any more. */
    private function strays(): void
    {
        foreach ($this->loom->breakouts as $breakout) {
            foreach ($this->branches as $branch) {
                if ($branch->at === $breakout->at && $branch->into === $breakout->into) {
                    continue 2;
                }
            }
            $this->findings[] = Finding::note(
                'loom.breakout-gone',
                Subject::loom($this->loom->id),
                sprintf(
                    '%s has a moved breakout at %s, where nothing branches off any more.',
                    $this->loom->name,
                    $this->installation->placeName($breakout->at),
                ),
                'Put it back to the junction.',
            );
        }
    }
}
