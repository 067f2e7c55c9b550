<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Lie;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** A layer is laid back over what holds it. */
final readonly class Fold implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if ($on->end->held($piece)->compare($piece->edge) <= 0) {
                $needs[] = sprintf('Nothing of %s stands out to be laid back.', Doing::name($piece));
            }
            if ($piece->lie === Lie::Folded) {
                $needs[] = sprintf('%s is laid back already.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->withEnd(
            $on->end->with(...array_map(static fn (Piece $piece): Piece => $piece->lying(Lie::Folded), $doing->pieces)),
        );
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions($doing->around(), $doing->keys());
    }
}
