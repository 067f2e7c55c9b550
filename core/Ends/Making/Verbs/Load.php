<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** Contacts are pushed into their places, in the order of the row, until each clicks. */
final readonly class Load implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if (! isset($on->crimped[$piece->key()])) {
                $needs[] = sprintf(
                    '%s has no contact yet: all are crimped before any is put in.',
                    ucfirst(Doing::name($piece)),
                );
            }
            if ($on->isJoined($piece)) {
                $needs[] = sprintf('%s is in its place already.', ucfirst(Doing::name($piece)));
            }
        }

        return [...$needs, ...$doing->notOnYet($on)];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $doing->joined($on);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), 'crimps', 'on the cable'], ['joints']);
    }
}
