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
        $needs = [];
        foreach ($doing->pieces as $piece) {
            $terminal = $doing->station->terminals->of($piece);
            if ($terminal === null) {
                $needs[] = sprintf('%s goes to no terminal.', ucfirst(Doing::name($piece)));

                continue;
            }
            if ($on->isJoined($piece)) {
                $needs[] = sprintf('%s is joined already.', ucfirst(Doing::name($piece)));
            }
            if ($piece->tinned->isZero()) {
                $needs[] = sprintf('%s is not tinned.', ucfirst(Doing::name($piece)));
            }
            if (isset($on->hot[$piece->key()])) {
                $needs[] = sprintf('%s is still hot from tinning.', ucfirst(Doing::name($piece)));
            }
            if (! isset($on->filled[$terminal]) && ! $doing->station->terminals->throughLugs) {
                $needs[] = sprintf('Terminal %s is not filled.', $terminal);
            }
            foreach ($doing->station->parts->over as $part => $under) {
                if (in_array((string) $part, $on->seated, true) && in_array($terminal, $under, true)) {
                    $needs[] = sprintf('Terminal %s lies under the %s, which is closed already.', $terminal, $part);
                }
            }
        }
        array_push($needs, ...self::covered($on, $doing));

        return array_values(array_unique([...$needs, ...$doing->pieces === [] ? [] : $doing->notOnYet($on)]));
    }

    /** @return list<string> what nobody gets at any more when its turn comes */
    private static function covered(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        $joined = $on->joined;
        foreach (array_keys($doing->byTerminal()) as $terminal) {
            foreach ($doing->station->terminals->covers as $over => $under) {
                if (isset($joined[$over]) && in_array((string) $terminal, $under, true)) {
                    $needs[] = sprintf('Terminal %s lies under %s, which is joined already.', $terminal, $over);
                }
            }
            $joined[$terminal] = true;
        }

        return $needs;
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
