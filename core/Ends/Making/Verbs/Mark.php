<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** A place is marked on the end, while it is as long as it was measured from. */
final readonly class Mark implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $at = $doing->place($on, null);
        if ($at === null) {
            return ['What the mark is measured from is not there.'];
        }

        return isset($on->marks[$doing->step->id]) ? ['It is marked already.'] : [];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        $at = $doing->place($on, null);

        return $at === null ? $on : $on->marking($doing->step->id, $at);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...array_map(strval(...), array_keys($on->end->pieces)), Regions::END], ['marks']);
    }
}
