<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Given\Catalogue\Procedures\Onto;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Selector;

/** The pieces of an end that a selector means: as many as there are, in their order. */
final readonly class Picked
{
    /** @return list<Piece> */
    public static function by(Selector $of, CableEnd $end, Station $station): array
    {
        return array_values(
            array_filter(
                $end->pieces,
                static fn (Piece $piece): bool => ($of->kinds === [] || in_array($piece->kind, $of->kinds, true)) &&
                    self::isOnto($of->joins, $piece, $station),
            ),
        );
    }

    private static function isOnto(?Onto $joins, Piece $piece, Station $station): bool
    {
        $of = $station->terminals;
        // What covers a core goes where the core goes.
        $key = $piece->kind->isAroundAConductor() ? Piece::keyOf(PieceKind::Metal, $piece->element) : $piece->key();
        $isJoined = isset($of->goes[$key]);

        return match ($joins) {
            null => true,
            Onto::Screen => in_array($key, $of->screens, true),
            Onto::Earth => in_array($key, $of->earths, true),
            Onto::Core => $isJoined && ! in_array($key, [...$of->screens, ...$of->earths], true),
            Onto::Terminal => $isJoined,
            Onto::Under => $isJoined && in_array($of->goes[$key], $of->covered(), true),
            Onto::Over => $isJoined && ! in_array($of->goes[$key], $of->covered(), true),
            Onto::Nothing => ! $isJoined && ($piece->kind->isConductor() || $piece->kind->isAroundAConductor()),
        };
    }
}
