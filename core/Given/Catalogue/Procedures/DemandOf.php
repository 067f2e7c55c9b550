<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

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
