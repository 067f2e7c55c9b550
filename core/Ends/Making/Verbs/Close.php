<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** The connector is shut. */
final readonly class Close implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = $on->closed ? ['It is closed already.'] : [];
        foreach ($doing->station->parts->names() as $part) {
            if (! in_array((string) $part, $on->seated, true)) {
                $needs[] = sprintf('The %s is not in its place.', $part);
            }
        }
        foreach (array_keys($doing->station->parts->over) as $part) {
            if (! in_array((string) $part, $on->seated, true)) {
                $needs[] = sprintf('The %s is still open.', $part);
            }
        }
        foreach ($doing->station->parts->crimps as $part => $crimps) {
            if (($on->crimped[$part] ?? 0) < $crimps) {
                $needs[] = sprintf('The %s is not crimped, or not everywhere.', $part);
            }
        }
        foreach ($doing->station->parts->shrinks as $part) {
            if (! in_array($part, $on->shrunk, true)) {
                $needs[] = sprintf('The %s is not shrunk.', $part);
            }
        }
        foreach ($doing->station->parts->turns as $part) {
            if (! in_array($part, $on->turned, true)) {
                $needs[] = sprintf('The %s is set for the other side.', $part);
            }
        }
        foreach ($doing->station->terminals->sleeved as $key) {
            if (($on->end->pieces[$key] ?? null)?->covered === false) {
                $needs[] = sprintf('%s has no sleeve.', ucfirst(Doing::name($on->end->pieces[$key])));
            }
        }
        foreach ($doing->station->terminals->all() as $terminal) {
            if (! isset($on->joined[$terminal])) {
                $needs[] = sprintf('Terminal %s is not joined.', $terminal);
            }
        }

        return [...$needs, ...$on->hot === [] ? [] : ['It is still hot.']];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->closing();
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(
            ['joints', 'looked', 'crimps', 'on the cable', 'shrunk', 'turned', Regions::CLOCK],
            ['closed'],
        );
    }
}
