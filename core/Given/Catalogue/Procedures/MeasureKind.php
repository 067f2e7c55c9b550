<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

/** Three lengths that are mixed up on paper charts: which of them a step means. */
enum MeasureKind: string
{
    /** Where a mark goes on an end that is not cut yet. */
    case Mark = 'mark';

    /** How much of a layer stays once it is trimmed. */
    case Remaining = 'remaining';

    /** How much of a piece is worked on: bared, tinned. */
    case Along = 'along';
    /** How far a core comes to its terminal. */
    case Reach = 'reach';

    public function words(): string
    {
        return match ($this) {
            self::Mark => 'mark at',
            self::Remaining => 'leave',
            self::Along => 'along',
            self::Reach => 'reaches',
        };
    }
}
