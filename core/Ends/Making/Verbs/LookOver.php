<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** It is looked at for one defect, while that can still be put right. */
final readonly class LookOver implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        return [
            ...$doing->step->catches === '' ? ['It is not said what is looked for.'] : [],
            ...$on->closed ? ['It is closed: nothing is seen any more.'] : [],
        ];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->looking($doing->step->catches);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), 'joints'], ['looked']);
    }
}
