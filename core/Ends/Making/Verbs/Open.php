<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;

/** A screen is picked or combed open so that it can be gathered; a sheath with a cord is split. */
final readonly class Open implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            $isSplit = $piece->kind === PieceKind::InnerSheath || $piece->kind === PieceKind::Sheath;
            if ($isSplit && $on->end->ofKind(PieceKind::Cord) === []) {
                $needs[] = sprintf('%s has no cord under it to be split by.', ucfirst(Doing::name($piece)));
            } elseif ($isSplit && $piece->within === [] && $piece->edge->compare($on->end->cut) <= 0) {
                $needs[] = sprintf('Nothing of the cord under %s can be got hold of yet.', Doing::name($piece));
            } elseif (! $isSplit && ! $piece->kind->isWoven()) {
                $needs[] = sprintf('%s has no strands to open.', ucfirst(Doing::name($piece)));
            }
            if ($piece->within !== [] && $on->end->held($piece)->compare($piece->edge) <= 0) {
                $needs[] = sprintf('Nothing of %s stands out.', Doing::name($piece));
            }
            if ($piece->lie !== Lie::InPlace) {
                $needs[] = sprintf('%s is not in its place any more.', ucfirst(Doing::name($piece)));
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
        return new Regions($doing->around(), $doing->keys());
    }
}
