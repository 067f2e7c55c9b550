<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

/** How a piece lies beyond what still holds it. */
enum Lie: string
{
    /** As it came. */
    case InPlace = 'in-place';

    /** Cut round, but not through: it breaks there. */
    case Scored = 'scored';
    /** Picked or combed open, strand from strand. */
    case Opened = 'opened';

    /** Back over what holds it. */
    case Folded = 'folded';

    case Twisted = 'twisted';
    /** Out of its pair, as far as it stands out. */
    case Untwisted = 'untwisted';
    /** Cut to a slant, so that it enters something small. */
    case Pointed = 'pointed';

    /** Forward again, over the connector's barrel. */
    case Over = 'over';

    /** Round something. */
    case Wound = 'wound';

    /** Straight and beside its neighbours, in the order of the terminals. */
    case Arranged = 'arranged';

    /** It is in nobody's way: what lay inside can be reached. */
    public function isAside(): bool
    {
        return $this !== self::InPlace && $this !== self::Scored;
    }

    /** As it is said of it: "laid back". */
    public function words(): string
    {
        return match ($this) {
            self::InPlace => 'as it came',
            self::Scored => 'scored',
            self::Opened => 'opened',
            self::Folded => 'laid back',
            self::Twisted => 'twisted',
            self::Untwisted => 'untwisted',
            self::Pointed => 'cut to a point',
            self::Over => 'laid forward',
            self::Wound => 'wound',
            self::Arranged => 'laid in order',
        };
    }
}
