<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** A sleeve is shrunk where it sits: what is under it is hidden from now on. */
final readonly class Shrink implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $part = $doing->step->part;
        $needs = in_array($part, $on->seated, true) ? [] : [sprintf('The %s is not in its place.', $part)];
        if (in_array($part, $on->shrunk, true)) {
            $needs[] = sprintf('The %s is shrunk already.', $part);
        }
        foreach ($doing->station->parts->over[$part] ?? [] as $terminal) {
            if (! isset($on->joined[$terminal])) {
                $needs[] = sprintf('Terminal %s lies under the %s and is not joined yet.', $terminal, $part);
            } elseif ($on->looked === []) {
                $needs[] = sprintf('The joint under the %s has not been looked at: nobody sees it afterwards.', $part);
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->shrinking($doing->step->part)->heating([$doing->step->part], $doing->step->seconds);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['joints', 'looked', 'on the cable', Regions::CLOCK], ['shrunk', $doing->step->part]);
    }
}
