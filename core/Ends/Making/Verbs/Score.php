<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** A layer is cut round but not through: it breaks there, and what is under it stays whole. */
final readonly class Score implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if ($piece->lie !== Lie::InPlace) {
                $needs[] = sprintf('%s is not in its place any more.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->withEnd(
            $on->end->with(...array_map(static fn (Piece $piece): Piece => $piece->lying(Lie::Scored), $doing->pieces)),
        );
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions($doing->around(), $doing->keys());
    }
}
