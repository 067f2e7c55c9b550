<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** Each joint is pulled, gently. */
final readonly class Tug implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        return [
            ...$on->joined === [] ? ['Nothing is joined yet.'] : [],
            ...$on->hot === [] ? [] : ['It is still hot.'],
            ...$on->closed ? ['It is closed.'] : [],
        ];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->looking($doing->step->catches);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['joints', Regions::CLOCK], ['looked']);
    }
}
