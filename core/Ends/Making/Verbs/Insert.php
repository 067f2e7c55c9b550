<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** All cores are pushed in side by side, until each is seen at the front. */
final readonly class Insert implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        $row = $doing->station->terminals->row;
        if ($on->end->order !== $row || $row === []) {
            $needs[] = 'The cores do not lie side by side in their order.';
        }
        $at = null;
        foreach ($doing->pieces as $piece) {
            if ($at !== null && $at->compare($piece->edge) !== 0) {
                $needs[] = sprintf('%s is not as long as the others: cut them square.', ucfirst(Doing::name($piece)));
            }
            $at ??= $piece->edge;
        }

        return [...$needs, ...$doing->notOnYet($on)];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->inserting($on->end->order);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), 'order', 'on the cable'], ['joints']);
    }
}
