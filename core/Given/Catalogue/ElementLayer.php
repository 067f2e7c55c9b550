<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** What there is in an element of a cable besides its conductors and screens, as hands meet it. */
enum ElementLayer: string
{
    /** Its own, under what is round the whole cable. Of the cable as a whole: a second one. */
    case Jacket = 'jacket';
    case Thread = 'thread';
    /** It splits what lies over it. */
    case Cord = 'cord';
    case Wrap = 'wrap';
    case Filler = 'filler';
    case Fibre = 'fibre';
    case Separator = 'separator';
    /** Of a core: over its insulation. */
    case Conductive = 'conductive-layer';
}
