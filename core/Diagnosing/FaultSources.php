<?php

declare(strict_types=1);

namespace Sartal\Core\Diagnosing;

/** Which families of faults there are. */
final class FaultSources
{
    /** @return list<FaultSource> what is looked for when methods are compared: likely single faults, and the double ones that hide each other */
    public static function credible(FaultPlaces $places): array
    {
        return [new Opens, new Swaps, new Shorts, new PairFaults($places->groups), new MirroredSwaps, new Leaks($places->groups), new LooseJoints, new StuckSwitches];
    }

    /** @return list<FaultSource> faults that join what they touch: they show in one symptom */
    public static function narrow(FaultPlaces $places): array
    {
        return [new Opens, new Swaps, new Shorts, new Moves, new Leaks($places->groups), new LooseJoints, new StuckSwitches];
    }

    /** @return list<FaultSource> faults of several joints, which may show in many symptoms */
    public static function wide(FaultPlaces $places): array
    {
        return [new PairFaults($places->groups), new Shifts($places->terminals, $places->groups), new MirroredSwaps];
    }
}
