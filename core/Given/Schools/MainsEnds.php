<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum MainsEnds: string implements School
{
    case Ferrule = 'ferrule';
    case Bare = 'bare';
    case Tinned = 'tinned';

    public static function key(): string
    {
        return 'mainsEnds';
    }

    public static function question(): string
    {
        return 'How are stranded mains ends finished?';
    }

    public static function usual(): static
    {
        return self::Ferrule;
    }

    public static function latitude(): Latitude
    {
        return Latitude::Group;
    }

    public static function reason(): string
    {
        return 'Tinned strands creep under a screw and the joint comes loose; bare ones splay.';
    }

    public function words(): string
    {
        return match ($this) {
            self::Ferrule => 'bootlace ferrule',
            self::Bare => 'bare strands',
            self::Tinned => 'tinned',
        };
    }
}
