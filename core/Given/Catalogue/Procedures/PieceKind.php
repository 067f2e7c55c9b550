<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

/** What a piece of a cable's end is, as hands meet it. */
enum PieceKind: string
{
    case Sheath = 'sheath';
    case InnerSheath = 'inner-sheath';
    case Braid = 'braid';
    case Lapped = 'lapped';
    case Foil = 'foil';
    case Drain = 'drain';
    case Wrap = 'wrap';
    case Thread = 'thread';
    case Cord = 'cord';
    case Fibre = 'fibre';
    case Filler = 'filler';
    case Separator = 'separator';
    case ConductiveLayer = 'conductive-layer';
    case Dielectric = 'dielectric';
    case Insulation = 'insulation';
    case Metal = 'metal';

    /** Strands or a wire that can be twisted, tinned and joined. */
    public function isConductor(): bool
    {
        return in_array($this, [self::Braid, self::Lapped, self::Drain, self::Metal], true);
    }

    public function isSheath(): bool
    {
        return $this === self::Sheath || $this === self::InnerSheath;
    }

    /** One of it, as it is said: "rip cord". */
    public function word(): string
    {
        return match ($this) {
            self::InnerSheath => 'inner sheath',
            self::Lapped => 'lapped screen',
            self::Wrap => 'clear wrap',
            self::Thread => 'binder thread',
            self::Cord => 'rip cord',
            self::Fibre => 'strengthening fibre',
            self::ConductiveLayer => 'conductive layer',
            self::Metal => 'core',
            default => $this->value,
        };
    }

    /** Round one conductor, and cut with it. */
    public function isAroundAConductor(): bool
    {
        return in_array($this, [self::Insulation, self::Dielectric, self::ConductiveLayer], true);
    }

    /** Has to be opened, strand after strand, before it can be gathered. */
    public function isWoven(): bool
    {
        return $this === self::Braid || $this === self::Lapped;
    }
}
