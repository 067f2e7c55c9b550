<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** It is left alone until it has cooled. */
final readonly class Cool implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        return $on->hot === [] ? ['Nothing is hot.'] : [];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->after($doing->step->seconds);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(array_map(strval(...), array_keys($on->hot)), [Regions::CLOCK]);
    }
}
