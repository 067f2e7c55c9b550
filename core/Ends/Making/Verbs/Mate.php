<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\FarEnd;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/**
 * It is plugged into the half that is finished: colours are compared through both, or both hold each other while a part
 * is tightened.
 */
final readonly class Mate implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $part = $doing->step->part;

        return [
            ...$doing->station->far === FarEnd::Mates ? [] : ['There is no finished half to plug it into yet.'],
            ...$part === '' || in_array($part, $on->seated, true)
                ? []
                : [sprintf('The %s is not in its place.', $part)],
            ...(new LookOver())->needs($on, $doing),
        ];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return (new LookOver())->done($on, $doing);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        $look = (new LookOver())->regions($on, $doing);

        return $doing->step->part === ''
            ? $look
            : new Regions([...$look->reads, 'on the cable'], $look->writes);
    }
}
