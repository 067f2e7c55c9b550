<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\DemandOf;
use Sartal\Core\Given\Catalogue\Procedures\EndDemand;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Measure\Length;

/** Whether a finished end is as its connector demands. */
final readonly class Demanded
{
    /** @return list<string> what does not meet it, with figures */
    public static function unmet(EndDemand $demand, Workpiece $on, Station $station): array
    {
        $unmet = [];
        if (! $demand->under->holds($station->answers)) {
            return $unmet;
        }
        foreach (Picked::by($demand->of, $on->end, $station) as $piece) {
            $is = self::measured($demand->what, $on->end, $piece, $station);
            if ($is === null || $is->compare($demand->least) < 0 || $is->compare($demand->most) > 0) {
                $unmet[] = sprintf(
                    '%s: %s of %s is %s; it has to be %s to %s.',
                    ucfirst($demand->name),
                    $demand->what->words(),
                    Doing::name($piece),
                    $is?->canonical() ?? 'not there',
                    $demand->least->canonical(),
                    $demand->most->canonical(),
                );
            }
            if ($demand->lies !== null && $piece->lie !== $demand->lies) {
                $unmet[] = sprintf(
                    '%s: %s is %s; it has to be %s.',
                    ucfirst($demand->name),
                    Doing::name($piece),
                    $piece->lie->words(),
                    $demand->lies->words(),
                );
            }
        }

        return $unmet;
    }

    public static function measured(DemandOf $what, CableEnd $end, Piece $piece, Station $station): ?Length
    {
        return match ($what) {
            DemandOf::Reach => ($end->piece(PieceKind::Sheath) ?? $end->piece(PieceKind::InnerSheath))?->edge->minus(
                $piece->edge,
            ),
            DemandOf::Bare => (
                $end->piece(PieceKind::Insulation, $piece->element)->edge ?? $end->held($piece)
            )->minus($piece->edge),
            DemandOf::Slack => self::slack($end, $piece, $station),
            DemandOf::Tinned => $piece->tinned,
            DemandOf::Longer => self::longer($end, $piece, $station),
        };
    }

    private static function slack(CableEnd $end, Piece $piece, Station $station): ?Length
    {
        $reach = $station->terminals->reaches[$station->terminals->of($piece) ?? ''] ?? null;

        return $reach === null ? null : self::measured(DemandOf::Reach, $end, $piece, $station)?->minus($reach);
    }

    private static function longer(CableEnd $end, Piece $piece, Station $station): ?Length
    {
        $others = null;
        foreach ($end->pieces as $key => $other) {
            $isOther = $station->terminals->of($other) !== null && ! in_array($key, $station->terminals->earths, true);
            $others = $isOther && ($others === null || $other->edge->compare($others) < 0) ? $other->edge : $others;
        }

        return $others?->minus($piece->edge);
    }
}
