<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

/** What a length of a step is measured from. */
enum MeasuredFrom: string
{
    /** Into the cable from where its end is now. */
    case CutEnd = 'cut-end';

    /** Into the cable from where the piece itself begins. */
    case OwnEnd = 'own-end';

    /** Out of the cable, from the edge of the sheath. */
    case SheathEdge = 'sheath-edge';

    /** Out of the cable, from the edge of the inner sheath. */
    case InnerSheathEdge = 'inner-sheath-edge';

    /** Out of the cable, from the edge of a screen that was left. */
    case ScreenEdge = 'screen-edge';

    /** Out of the cable: as far as the piece's own terminal is, and so much more. */
    case Terminal = 'terminal';

    /** Out of the cable, from the edge of the piece's own insulation. */
    case InsulationEdge = 'insulation-edge';

    /** Into the cable from a mark that an earlier step made. */
    case Mark = 'mark';

    /** Out of the cable, from where it leaves the sheath: as far as was measured on the equipment, and so much more. */
    case Equipment = 'equipment';

    /** Into the cable from where its end is now: as far as its longest leg is; where nobody said how long, so much. */
    case Legs = 'legs';

    /** Out of the cable, from where it leaves the sheath: as long as the leg is, and so much more. */
    case Leg = 'leg';

    /** As it is said: "from the cut end". */
    public function words(): string
    {
        return match ($this) {
            self::CutEnd => 'from the cut end',
            self::OwnEnd => 'from its own end',
            self::SheathEdge => 'from the edge of the sheath',
            self::InnerSheathEdge => 'from the edge of the inner sheath',
            self::ScreenEdge => 'from the edge of the screen',
            self::Terminal => 'more than to its terminal',
            self::InsulationEdge => 'from its insulation',
            self::Mark => 'from the mark',
            self::Equipment => 'more than was measured on the equipment',
            self::Legs => 'from the cut end, as long as the longest leg',
            self::Leg => 'more than the leg is long',
        };
    }
}
