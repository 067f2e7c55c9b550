<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** What limits how far a signal goes. */
enum ReachKind: string
{
    /** Length and loss of four-pair cable of a category. */
    case Category = 'category';
    /** Loss of a coax at one frequency. */
    case Loss = 'loss';
    /** Length of a line that several devices share. */
    case Bus = 'bus';
    /** Capacitance of the whole line. */
    case Capacitance = 'capacitance';
    /** The corner that a source and the line's capacitance make. */
    case Corner = 'corner';
    /** Loss in the line's resistance. */
    case Loudspeaker = 'loudspeaker';
    /** Voltage that is lost on the way. */
    case VoltageDrop = 'voltage-drop';
}
