<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** A conductor is held in its terminal by a screw or a spring, cold. */
final readonly class Clamp implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = $doing->unreachable($on);
        foreach ($doing->pieces as $piece) {
            if (! $piece->tinned->isZero()) {
                $needs[] = sprintf(
                    '%s is tinned: soldered strands come loose under a screw.',
                    ucfirst(Doing::name($piece)),
                );
            } elseif (! $piece->solid && ! isset($on->crimped[$piece->key()])) {
                $needs[] = sprintf('%s has no ferrule: strands creep under a screw.', ucfirst(Doing::name($piece)));
            }
        }

        return array_values(array_unique($needs));
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $doing->joined($on);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), 'crimps', 'on the cable', 'over'], ['joints', ...$doing->keys()]);
    }
}
