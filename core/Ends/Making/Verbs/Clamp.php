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
        $needs = [];
        foreach ($doing->pieces as $piece) {
            $terminal = $doing->station->terminals->of($piece);
            if ($terminal === null) {
                $needs[] = sprintf('%s goes to no terminal.', ucfirst(Doing::name($piece)));

                continue;
            }
            if ($on->isJoined($piece)) {
                $needs[] = sprintf('%s is in its terminal already.', ucfirst(Doing::name($piece)));
            }
            if (! $piece->tinned->isZero()) {
                $needs[] = sprintf(
                    '%s is tinned: soldered strands come loose under a screw.',
                    ucfirst(Doing::name($piece)),
                );
            } elseif (! $piece->solid && ! isset($on->crimped[$piece->key()])) {
                $needs[] = sprintf('%s has no ferrule: strands creep under a screw.', ucfirst(Doing::name($piece)));
            }
        }

        return array_values(array_unique([...$needs, ...$doing->notOnYet($on)]));
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $doing->joined($on);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), 'crimps', 'on the cable'], ['joints', ...$doing->keys()]);
    }
}
