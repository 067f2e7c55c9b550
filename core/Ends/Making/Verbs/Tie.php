<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Arrival;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** Something is tied round what lies together, at any time before it is closed. */
final readonly class Tie implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $part = $doing->step->part;

        return [
            ...($doing->station->parts->arrive[$part] ?? null) === Arrival::Side
                ? []
                : [sprintf('There is no %s here.', $part)],
            ...$on->has($part) ? [sprintf('The %s is round it already.', $part)] : [],
            ...$on->closed ? ['It is closed: nothing is tied inside any more.'] : [],
        ];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->seating($doing->step->part);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['closed'], ['on the cable']);
    }
}
