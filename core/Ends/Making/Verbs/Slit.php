<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** A sheath is slit along and loosened, so that something goes under it; nothing of it is taken off. */
final readonly class Slit implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if ($piece->lie !== Lie::InPlace) {
                $needs[] = sprintf('%s is loose already.', ucfirst(Doing::name($piece)));
            }
            if ($piece->edge->compare($on->end->cut) <= 0) {
                $needs[] = sprintf('%s has no edge to slit from: bare the end first.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->withEnd(
            $on->end->with(...array_map(static fn (Piece $piece): Piece => $piece->lying(Lie::Opened), $doing->pieces)),
        );
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([Regions::END], $doing->keys());
    }
}
