<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Centre;

/** A contact is crimped on each core, or a part is crimped where it sits, once for each crimp that it takes. */
final readonly class Crimp implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $part = $doing->step->part;
        $needs = [];
        if ($part === '') {
            foreach ($doing->pieces as $piece) {
                if ($on->end->held($piece)->compare($piece->edge) <= 0) {
                    $needs[] = sprintf('Nothing of %s is bare.', Doing::name($piece));
                }
                if (! $piece->tinned->isZero()) {
                    $needs[] = sprintf('%s is tinned: solder creeps from under a crimp.', ucfirst(Doing::name($piece)));
                }
                if (isset($on->crimped[$piece->key()])) {
                    $needs[] = sprintf('%s has its contact already.', ucfirst(Doing::name($piece)));
                }
            }

            return $needs;
        }
        if ($part === 'pin' && $doing->station->centre !== Centre::Pin) {
            return ['No pin is crimped here: the connector takes the centre itself.'];
        }
        if ($part !== 'pin' && ! in_array($part, $on->seated, true)) {
            $needs[] = sprintf('The %s is not where it is crimped.', $part);
        }
        if (($on->crimped[$part] ?? 0) >= ($doing->station->parts->crimps[$part] ?? 1)) {
            $needs[] = sprintf('The %s has all the crimps that it takes: one more would crush what is in it.', $part);
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        $part = $doing->step->part;
        if ($part === '') {
            return $on->crimping(...$doing->keys());
        }
        $parts = $doing->station->parts;
        $times = in_array($part, $parts->atOnce, true) ? $parts->crimps[$part] ?? 1 : 1;

        return $on->crimping(...array_fill(0, $times, $part));
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), ...$doing->around(), 'on the cable'], ['crimps', ...$doing->keys()]);
    }
}
