<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** What a piece of a cable's construction is. Groups hold others; conductors carry current. */
enum ElementKind: string
{
    case Core = 'core';
    case Drain = 'drain';
    case Screen = 'screen';
    case Foil = 'foil';
    case Pair = 'pair';
    case Triad = 'triad';
    case Quad = 'quad';
    case Coax = 'coax';
    case Group = 'group';

    /** Can be joined to a contact. A foil cannot: it is reached through its drain. */
    public function isConductor(): bool
    {
        return $this === self::Core || $this === self::Drain || $this === self::Screen;
    }

    /** Has no insulation of its own and touches the bare conductors beside it. */
    public function isBare(): bool
    {
        return $this === self::Drain || $this === self::Screen;
    }

    public function isTwisted(): bool
    {
        return $this === self::Pair || $this === self::Triad || $this === self::Quad;
    }
}
