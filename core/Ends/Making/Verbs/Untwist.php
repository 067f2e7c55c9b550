<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** Cores are taken out of their pairs, as far as they stand out and no farther. */
final readonly class Untwist implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if ($on->end->held($piece)->compare($piece->edge) <= 0) {
                $needs[] = sprintf('%s does not stand out of what holds it.', ucfirst(Doing::name($piece)));
            }
            if ($piece->lie !== Lie::InPlace) {
                $needs[] = sprintf('%s is out of its pair already.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->withEnd(
            $on->end->with(
                ...array_map(static fn (Piece $piece): Piece => $piece->lying(Lie::Untwisted), $doing->pieces),
            ),
        );
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions($doing->around(), $doing->keys());
    }
}
