<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** Cores are straightened and laid side by side as the connector takes them. */
final readonly class Arrange implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        $row = $doing->station->terminals->row;
        if ($row === []) {
            $needs[] = 'The connector takes every core by itself: there is no row.';
        }
        foreach ($doing->pieces as $piece) {
            if (! in_array($piece->element, $row, true)) {
                $needs[] = sprintf('%s has no place in the row.', ucfirst(Doing::name($piece)));
            }
            if ($piece->lie !== Lie::Untwisted) {
                $needs[] = sprintf('%s is still in its pair.', ucfirst(Doing::name($piece)));
            }
            if ($on->end->held($piece)->compare($piece->edge) <= 0) {
                $needs[] = sprintf('%s does not stand out of the sheath.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        $there = array_map(static fn (Piece $piece): string => $piece->element, $doing->pieces);

        return $on->withEnd(
            $on->end
                ->with(...array_map(static fn (Piece $piece): Piece => $piece->lying(Lie::Arranged), $doing->pieces))
                ->inOrder(array_values(array_intersect($doing->station->terminals->row, $there))),
        );
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions($doing->around(), [...$doing->keys(), 'order']);
    }
}
