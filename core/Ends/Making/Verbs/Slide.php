<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** A part is put on the cable and pushed out of the way. */
final readonly class Slide implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $part = $doing->step->part;
        $needs = $doing->station->parts->has($part) ? [] : [sprintf('There is no %s here.', $part)];
        if (in_array($part, [...$on->laid, ...$on->seated], true)) {
            $needs[] = sprintf('The %s is on already.', $part);
        }
        if (in_array($part, $doing->station->parts->snags, true) && $on->taped === []) {
            $needs[] = sprintf('The end catches in the %s: tape it.', $part);
        }
        $isPast = $on->joined !== [] || $on->inserted !== [];
        if ($isPast && $doing->station->isOnlyByNow($part)) {
            $needs[] = sprintf('The %s does not go on any more: something is joined.', $part);
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->laying($doing->step->part);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['joints', 'tape'], ['on the cable']);
    }
}
