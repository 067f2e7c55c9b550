<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** Twisted strands are cut to a slant, so that they enter a small lug or cup. */
final readonly class CutToPoint implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if ($piece->lie !== Lie::Twisted) {
                $needs[] = sprintf('%s has to be twisted before it is cut to a point.', ucfirst(Doing::name($piece)));
            }
            if ($on->isJoined($piece)) {
                $needs[] = sprintf('%s is joined already.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->withEnd(
            $on->end->with(
                ...array_map(static fn (Piece $piece): Piece => $piece->lying(Lie::Pointed), $doing->pieces),
            ),
        );
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions($doing->around(), $doing->keys());
    }
}
