<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Why;

/** What people call a decision: "M-201", "L1 under-stage", "house rules". */
final class DecisionName
{
    /**
     * @param  string  $of  its id; Why::ALL where the installation has one of its kind
     * @return ?string null where nobody decided that
     */
    public static function of(DecisionKind $kind, string $of, Installation $in): ?string
    {
        return match ($kind) {
            DecisionKind::Run => $in->run($of)?->code,
            DecisionKind::Fitting => $in->fitting($of)?->label,
            DecisionKind::Circuit => $in->circuit($of)?->name,
            DecisionKind::Location => $in->location($of)?->name,
            DecisionKind::Way => $in->way($of)?->name,
            DecisionKind::Loom => $in->loom($of)?->name,
            DecisionKind::Junction => ($in->junctions()[$of] ?? null)?->name,
            DecisionKind::Panel => ($in->panels()[$of] ?? null)?->name,
            DecisionKind::Equipment => ($in->equipment()[$of] ?? null)?->name,
            DecisionKind::Instrument => ($in->instruments()[$of] ?? null)?->name,
            DecisionKind::Pattern => ($in->patterns()[$of] ?? null)?->name,
            DecisionKind::Reel => ($in->reels()[$of] ?? null)?->id,
            DecisionKind::Cable => $in->catalogue->cable($of)?->name,
            DecisionKind::Connector => $in->catalogue->connector($of)?->name,
            DecisionKind::Signal => $in->catalogue->signal($of)?->name,
            DecisionKind::ContactPlan => ($in->catalogue->plans()[$of] ?? null)?->name,
            DecisionKind::Part => $in->catalogue->part($of)?->name,
            DecisionKind::Procedure => $in->catalogue->procedure($of)?->name,
            DecisionKind::Rules,
            DecisionKind::Connections,
            DecisionKind::Economy,
            DecisionKind::Workshop,
            DecisionKind::Testing => $of === Why::ALL ? $kind->words() : null,
            // What is only said of others has no name, and no reason, of its own.
            DecisionKind::ContactCheck, DecisionKind::Why, DecisionKind::Recipe => null,
        };
    }
}
