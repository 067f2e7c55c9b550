<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** A conductor is joined to its terminal with heat. */
final readonly class Join implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = $doing->unreachable($on);
        foreach ($doing->pieces as $piece) {
            $terminal = $doing->station->terminals->of($piece);
            if ($piece->tinned->isZero()) {
                $needs[] = sprintf('%s is not tinned.', ucfirst(Doing::name($piece)));
            }
            if (isset($on->hot[$piece->key()])) {
                $needs[] = sprintf('%s is still hot from tinning.', ucfirst(Doing::name($piece)));
            }
            if ($terminal !== null && ! isset($on->filled[$terminal]) && ! $doing->station->terminals->throughLugs) {
                $needs[] = sprintf('Terminal %s is not filled.', $terminal);
            }
        }

        return array_values(array_unique($needs));
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $doing->joined($on)->heating(
            array_map(
                static fn (Piece $piece): string => 'terminal '.$doing->station->terminals->of($piece),
                $doing->pieces,
            ),
            $doing->step->seconds,
        );
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        $terminals = array_map(
            static fn (Piece $piece): string => 'terminal '.$doing->station->terminals->of($piece),
            $doing->pieces,
        );

        return new Regions(
            [...$doing->keys(), ...$terminals, 'on the cable', 'over', Regions::CLOCK],
            ['joints', ...$terminals, ...$doing->keys()],
        );
    }
}
