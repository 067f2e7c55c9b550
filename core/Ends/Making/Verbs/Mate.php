<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** It is plugged into the half that is finished, and colours are compared through both. */
final readonly class Mate implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        return [
            ...$doing->station->farMade ? [] : ['There is no finished half to plug it into yet.'],
            ...(new LookOver())->needs($on, $doing),
        ];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return (new LookOver())->done($on, $doing);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return (new LookOver())->regions($on, $doing);
    }
}
