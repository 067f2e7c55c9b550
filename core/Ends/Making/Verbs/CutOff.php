<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;

/** The end is cut square: what stood out further is gone, and is length that is used up. */
final readonly class CutOff implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $at = $doing->place($on, null);
        if ($at === null) {
            return [
                $doing->step->measure?->from === MeasuredFrom::Equipment
                    ? 'It is not measured on the equipment yet: nobody knows where to cut.'
                    : 'It is not said where to cut.',
            ];
        }
        $needs = $at->compare($on->end->cut) <= 0 ? ['There is nothing left to cut off as far out as that.'] : [];
        foreach ($on->joined as $terminal => $_) {
            $needs[] = sprintf('Terminal %s is joined: the end cannot be cut any more.', $terminal);
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        $at = $doing->place($on, null);

        return $at === null ? $on : $on->untaped()->withEnd($on->end->cutAt($at));
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        $all = array_map(strval(...), array_keys($on->end->pieces));

        return new Regions($all, [...$all, Regions::END, 'tape']);
    }
}
