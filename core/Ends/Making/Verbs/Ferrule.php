<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** Strands get a ferrule: one for all that go into a terminal, and rated for all of them. */
final readonly class Ferrule implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if ($on->end->held($piece)->compare($piece->edge) <= 0) {
                $needs[] = sprintf('Nothing of %s is bare.', Doing::name($piece));
            }
            if (! $piece->tinned->isZero()) {
                $needs[] = sprintf('%s is tinned: solder creeps from under a ferrule.', ucfirst(Doing::name($piece)));
            }
            if (isset($on->crimped[$piece->key()])) {
                $needs[] = sprintf('%s has its ferrule already.', ucfirst(Doing::name($piece)));
            }
        }
        foreach ($doing->byTerminal() as $terminal => $pieces) {
            $takes = count($pieces) === 1 ? 1 : $doing->station->terminals->takes[$terminal] ?? null;
            if ($takes === null) {
                $needs[] = sprintf(
                    'Nobody knows whether terminal %s takes %d conductors. Ask its maker’s leaflet and local code.',
                    $terminal,
                    count($pieces),
                );
            } elseif ($takes < count($pieces)) {
                $needs[] = sprintf('Terminal %s takes %d, not %d conductors.', $terminal, $takes, count($pieces));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->crimping(...$doing->keys());
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), ...$doing->around()], ['crimps', ...$doing->keys()]);
    }
}
