<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** Tape is put round what would catch in a sleeve. It goes with what is cut off. */
final readonly class Tape implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if (in_array($piece->key(), $on->taped, true)) {
                $needs[] = sprintf('%s is taped already.', ucfirst(Doing::name($piece)));
            }
            if ($on->isJoined($piece)) {
                $needs[] = sprintf('%s is joined already.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->taping($doing->keys());
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['joints', ...$doing->keys()], ['tape']);
    }
}
