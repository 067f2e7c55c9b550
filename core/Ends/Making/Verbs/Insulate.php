<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** A sleeve goes over a bare conductor, so that it touches nothing on its way. */
final readonly class Insulate implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if (! $piece->kind->isConductor()) {
                $needs[] = sprintf('%s is no conductor.', ucfirst(Doing::name($piece)));
            }
            if ($on->isJoined($piece)) {
                $needs[] = sprintf(
                    '%s is joined already: no sleeve goes over it any more.',
                    ucfirst(Doing::name($piece)),
                );
            }
            if ($piece->covered) {
                $needs[] = sprintf('%s has a sleeve already.', ucfirst(Doing::name($piece)));
            }
            if ($on->end->held($piece)->compare($piece->edge) <= 0) {
                $needs[] = sprintf('Nothing of %s is bare.', Doing::name($piece));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->withEnd(
            $on->end->with(...array_map(static fn (Piece $piece): Piece => $piece->inSleeve(), $doing->pieces)),
        );
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['joints', ...$doing->around()], $doing->keys());
    }
}
