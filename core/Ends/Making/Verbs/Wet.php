<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** Solder is melted into a cup or onto a lug before anything is put in. */
final readonly class Wet implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = $doing->station->terminals->throughLugs
            ? ['A lug that was filled takes no wire: wire goes through it first.']
            : [];
        foreach (self::terminals($doing) as $terminal) {
            if (isset($on->filled[$terminal])) {
                $needs[] = sprintf('Terminal %s is filled already.', $terminal);
            }
            if (isset($on->joined[$terminal])) {
                $needs[] = sprintf('Terminal %s is joined already.', $terminal);
            }
        }

        return self::terminals($doing) === [] ? ['Nothing goes to a terminal here.'] : $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        foreach (self::terminals($doing) as $terminal) {
            $on = $on->filling($terminal);
        }

        return $on;
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        $terminals = array_map(static fn (string $terminal): string => 'terminal '.$terminal, self::terminals($doing));

        return new Regions([], $terminals);
    }

    /** @return list<string> */
    private static function terminals(Doing $doing): array
    {
        $terminals = [];
        foreach ($doing->pieces as $piece) {
            $terminal = $doing->station->terminals->of($piece);
            if ($terminal !== null) {
                $terminals[$terminal] = true;
            }
        }

        return array_map(strval(...), array_keys($terminals));
    }
}
