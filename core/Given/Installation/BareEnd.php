<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** How an end that has no connector is left, on purpose. Source: common practice. */
enum BareEnd: string
{
    case Bare = 'bare';
    case Parked = 'parked';
    case Coiled = 'coiled';
    case Gland = 'gland';
    case Later = 'later';

    public function words(): string
    {
        return match ($this) {
            self::Bare => 'left bare on purpose',
            self::Parked => 'parked, its cores insulated from each other',
            self::Coiled => 'coiled and tied',
            self::Gland => 'brought in through a gland',
            self::Later => 'left until its connector is decided',
        };
    }

    /** Whether somebody is still to make it. */
    public function isUndecided(): bool
    {
        return $this === self::Later;
    }
}
