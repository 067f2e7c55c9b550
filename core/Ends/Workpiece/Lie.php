<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Workpiece;

/** How a piece lies beyond what still holds it. */
enum Lie: string
{
    /** As it came. */
    case InPlace = 'in-place';

    /** Picked or combed open, strand from strand. */
    case Opened = 'opened';

    /** Back over what holds it. */
    case Folded = 'folded';

    case Twisted = 'twisted';

    /** Forward again, over the connector's barrel. */
    case Over = 'over';

    /** Round something. */
    case Wound = 'wound';

    /** Straight and beside its neighbours, in the order of the terminals. */
    case Arranged = 'arranged';

    /** It is in nobody's way: what lay inside can be reached. */
    public function isAside(): bool
    {
        return $this !== self::InPlace;
    }

    /** As it is said of it: "laid back". */
    public function words(): string
    {
        return match ($this) {
            self::InPlace => 'as it came',
            self::Opened => 'opened',
            self::Folded => 'laid back',
            self::Twisted => 'twisted',
            self::Over => 'laid forward',
            self::Wound => 'wound',
            self::Arranged => 'laid in order',
        };
    }
}
