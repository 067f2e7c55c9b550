<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

/** How a label sits on what it names. */
enum LabelForm: string
{
    /** Printed part, then a clear tail that goes over it. */
    case Wrap = 'wrap';
    /** Folded round a thin cable, both leaves printed. */
    case Flag = 'flag';
    /** Heat-shrink: threaded on before the connector. */
    case Sleeve = 'sleeve';
    /** A row of fields under a panel's connectors. */
    case Strip = 'strip';
    /** Hangs from a tie. */
    case Tag = 'tag';

    public function words(): string
    {
        return match ($this) {
            self::Wrap => 'self-laminating wrap',
            self::Flag => 'flag',
            self::Sleeve => 'heat-shrink sleeve',
            self::Strip => 'panel strip',
            self::Tag => 'tag',
        };
    }
}
