<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** A braid that was laid back comes forward again, over the barrel. */
final readonly class LayForward implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = $on->pushedOn ? [] : ['There is no barrel under it yet.'];
        foreach ($doing->pieces as $piece) {
            if ($piece->lie !== Lie::Folded) {
                $needs[] = sprintf('%s does not lie back.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        $over = array_map(static fn (Piece $piece): Piece => $piece->lying(Lie::Over), $doing->pieces);

        return $doing->joined($on->withEnd($on->end->with(...$over)));
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['joints'], [...$doing->keys(), 'joints']);
    }
}
