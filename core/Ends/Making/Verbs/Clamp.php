<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Schools\MainsEnds;
use Sartal\Core\Given\Schools\School;

/**
 * A conductor is held in its terminal by a screw or a spring, cold: strands in a ferrule, but where the house has
 * decided otherwise for mains.
 */
final readonly class Clamp implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = $doing->unreachable($on);
        $house = $doing->station->answer(MainsEnds::class);
        foreach ($doing->pieces as $piece) {
            $isFerruled = isset($on->crimped[$piece->key()]);
            if (! $piece->tinned->isZero() && $house !== MainsEnds::Tinned) {
                $needs[] = sprintf(
                    '%s is tinned: soldered strands come loose under a screw.',
                    ucfirst(Doing::name($piece)),
                );
            } elseif (! $piece->solid && ! $isFerruled && ! self::isReady($piece, $house)) {
                $needs[] = sprintf('%s has no ferrule: strands creep under a screw.', ucfirst(Doing::name($piece)));
            }
        }
        foreach ($doing->byTerminal() as $terminal => $keys) {
            if (count($keys) > 1 && array_diff($keys, array_map(strval(...), array_keys($on->crimped))) !== []) {
                $needs[] = sprintf(
                    '%d conductors go into terminal %s: together in one ferrule, or not at all.',
                    count($keys),
                    $terminal,
                );
            }
        }

        return array_values(array_unique($needs));
    }

    /** As the house finishes strands that get no ferrule. */
    private static function isReady(Piece $piece, School $house): bool
    {
        return match ($house) {
            MainsEnds::Bare => $piece->lie === Lie::Twisted,
            MainsEnds::Tinned => ! $piece->tinned->isZero(),
            default => false,
        };
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $doing->joined($on);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), 'crimps', 'on the cable', 'over'], ['joints', ...$doing->keys()]);
    }
}
