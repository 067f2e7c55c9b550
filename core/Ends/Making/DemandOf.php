<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\PieceKind;
use Sartal\Core\Given\Measure\Length;

/** Which length of a piece of a finished end is looked at. */
enum DemandOf: string
{
    /** How far it comes out of the sheath. */
    case Reach = 'reach';

    /** How much of it is bare beyond its insulation, or beyond what holds it. */
    case Bare = 'bare';

    /** How much longer it is than its terminal is far. */
    case Slack = 'slack';

    /** How much of it is tinned. */
    case Tinned = 'tinned';
    /** How much farther it reaches than the longest of those that are not protective earth's. */
    case Longer = 'longer';

    public function measured(CableEnd $end, Piece $piece, Station $station): ?Length
    {
        return match ($this) {
            self::Reach => ($end->piece(PieceKind::Sheath) ?? $end->piece(PieceKind::InnerSheath))?->edge->minus(
                $piece->edge,
            ),
            self::Bare => (
                $end->piece(PieceKind::Insulation, $piece->element)->edge ?? $end->held($piece)
            )->minus($piece->edge),
            self::Slack => self::slack($end, $piece, $station),
            self::Tinned => $piece->tinned,
            self::Longer => self::longer($end, $piece, $station),
        };
    }

    private static function slack(CableEnd $end, Piece $piece, Station $station): ?Length
    {
        $reach = $station->terminals->reaches[$station->terminals->of($piece) ?? ''] ?? null;

        return $reach === null ? null : self::Reach->measured($end, $piece, $station)?->minus($reach);
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

    public function words(): string
    {
        return match ($this) {
            self::Reach => 'what stands out of the sheath',
            self::Bare => 'what is bare',
            self::Slack => 'what is more than the way to its terminal',
            self::Tinned => 'what is tinned',
            self::Longer => 'what is more than the longest of the others',
        };
    }
}
