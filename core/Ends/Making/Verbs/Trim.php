<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** What stands out is cut to a length. */
final readonly class Trim implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            $at = $doing->place($on, $piece);
            if ($at !== null && $at->compare($piece->edge) <= 0) {
                $needs[] = sprintf('%s is shorter than that already.', ucfirst(Doing::name($piece)));
            }
            array_push($needs, ...$doing->barred($on, $piece, $at, true));
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        $cut = [];
        foreach ($doing->pieces as $piece) {
            $at = $doing->place($on, $piece);
            if ($at === null) {
                continue;
            }
            $cut[] = $piece->beginningAt($at);
            // What covers a core is cut with it.
            foreach ($piece->element === '' ? [] : $piece->within as $key) {
                $over = $on->end->pieces[$key];
                if ($over->element === $piece->element && $over->edge->compare($at) < 0) {
                    $cut[] = $over->beginningAt($at);
                }
            }
            foreach (self::inside($on, $piece) as $within) {
                array_push($cut, ...$within->edge->compare($at) < 0 ? [$within->beginningAt($at)] : []);
            }
        }

        return $on->withEnd($on->end->with(...$cut));
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        $inside = [];
        foreach ($doing->pieces as $piece) {
            foreach (self::inside($on, $piece) as $within) {
                $inside[] = $within->key();
            }
        }

        return new Regions([...$doing->around(), Regions::END], [...$doing->keys(), ...$doing->own(), ...$inside]);
    }

    /** @return list<Piece> a leg that is cut in its jacket is cut with all that is in it */
    private static function inside(Workpiece $on, Piece $jacket): array
    {
        return ! $jacket->kind->isSheath()
            ? []
            : array_values(array_filter(
                $on->end->pieces,
                static fn (Piece $piece): bool => in_array($jacket->key(), $piece->within, true),
            ));
    }
}
