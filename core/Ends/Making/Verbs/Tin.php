<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Measure\Length;

/** Bare strands are wetted with solder, quickly: heat creeps back. */
final readonly class Tin implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            $bare = $on->end->held($piece)->minus($piece->edge);
            if (! $piece->kind->isConductor()) {
                $needs[] = sprintf('%s takes no solder.', ucfirst(Doing::name($piece)));
            } elseif ($bare->compare(Length::zero()) <= 0) {
                $needs[] = sprintf('Nothing of %s is bare.', Doing::name($piece));
            } elseif (! $piece->solid && ! in_array($piece->lie, [Lie::Twisted, Lie::Pointed], true)) {
                $needs[] = sprintf('%s has to be twisted before it is tinned.', ucfirst(Doing::name($piece)));
            }
            if (! $piece->tinned->isZero()) {
                $needs[] = sprintf('%s is tinned already.', ucfirst(Doing::name($piece)));
            }
            $of = $doing->step->measure?->length;
            if ($of !== null && $of->compare($bare) > 0) {
                $needs[] = sprintf('%s has less bare than is to be tinned.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        $tinned = [];
        foreach ($doing->pieces as $piece) {
            $bare = $on->end->held($piece)->minus($piece->edge);
            $tinned[] = $piece->tinnedFor($doing->step->measure->length ?? $bare);
        }

        return $on->heating($doing->keys(), $doing->step->seconds)->withEnd($on->end->with(...$tinned));
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->around(), Regions::CLOCK], $doing->keys());
    }
}
