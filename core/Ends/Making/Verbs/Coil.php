<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** The finished cable is coiled, with loops over and under by turns, so that it pays out straight. */
final readonly class Coil implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        return [
            ...$on->closed ? [] : ['It is not closed yet.'],
            ...$on->coiled ? ['It is coiled already.'] : [],
        ];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->coiling();
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['closed'], ['coiled']);
    }
}
