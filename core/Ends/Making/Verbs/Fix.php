<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** What is part of the connector is brought over what is joined: a flap, a clamp. */
final readonly class Fix implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $part = $doing->step->part;
        $needs = [];
        if (! isset($doing->station->parts->over[$part])) {
            return [sprintf('The connector has no %s.', $part)];
        }
        if (in_array($part, $on->seated, true)) {
            $needs[] = sprintf('The %s is closed already.', $part);
        }
        if ($doing->station->parts->isSlid($part) && ! in_array($part, $on->laid, true)) {
            $needs[] = sprintf('The %s is not on the cable.', $part);
        }
        foreach ($doing->station->parts->over[$part] as $terminal) {
            if (! isset($on->joined[$terminal])) {
                $needs[] = sprintf('Terminal %s lies under the %s and is not joined yet.', $terminal, $part);
            }
            if (isset($on->hot['terminal '.$terminal])) {
                $needs[] = sprintf('Terminal %s is still hot.', $terminal);
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->seating($doing->step->part);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['joints', Regions::CLOCK], ['on the cable', 'over']);
    }
}
