<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** A part of the connector is turned to the side where the cable leaves. */
final readonly class Turn implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $part = $doing->step->part;

        return [
            ...in_array($part, $doing->station->parts->turns, true)
                ? []
                : [sprintf('The connector has no %s to turn.', $part)],
            ...in_array($part, $on->turned, true) ? [sprintf('The %s is turned already.', $part)] : [],
            ...$on->joined === [] ? [] : ['Something is joined: every length was cut for the other side.'],
        ];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->turning($doing->step->part);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['joints'], ['turned']);
    }
}
