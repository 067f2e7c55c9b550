<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;

/**
 * How much of a way's inside cables may take, in per cent of its area.
 * Conduit: NEC chapter 9 table 1. Trunking: a common UK figure, from memory.
 * Tray: TIA-569, from memory.
 */
final readonly class FillRule
{
    private const CONDUIT = [1 => 53.0, 2 => 31.0];

    private const CONDUIT_MORE = 40.0;

    private const TRUNKING = 45.0;

    private const TRAY_DESIGN = 25.0;

    private const TRAY_MOST = 50.0;

    /**
     * @param  float  $design  planned to
     * @param  float  $most  never beyond
     */
    private function __construct(public float $design, public float $most, public string $source)
    {
    }

    /** Null where nothing limits it: a way that is open, and for which nobody set a limit. */
    public static function for(Way $way, int $cables): ?self
    {
        if ($way->fillLimit !== null) {
            return new self($way->fillLimit, $way->fillLimit, 'set for this way');
        }

        return match ($way->kind) {
            WayKind::Conduit => self::conduit($cables),
            WayKind::Trunking => new self(self::TRUNKING, self::TRUNKING, 'common practice for trunking, from memory'),
            WayKind::Tray => new self(self::TRAY_DESIGN, self::TRAY_MOST, 'TIA-569, from memory'),
            WayKind::Riser, WayKind::Void, WayKind::FreeAir => null,
        };
    }

    private static function conduit(int $cables): self
    {
        $limit = self::CONDUIT[$cables] ?? self::CONDUIT_MORE;

        return new self(
            $limit,
            $limit,
            sprintf(
                'NEC chapter 9 table 1, for %s',
                match ($cables) {
                    1 => 'one cable',
                    2 => 'two cables',
                    default => 'three cables or more',
                },
            ),
        );
    }
}
