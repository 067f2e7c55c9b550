<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Reading;

/**
 * Which families of faults there are. What no method that was read could show is not looked for: it would only be in
 * the way.
 */
final class FaultSources
{
    /**
     * @return list<FaultSource> what is looked for when methods are compared: likely single faults, and the double ones
     *     that hide each other
     */
    public static function credible(FaultPlaces $places): array
    {
        return [
            new Opens(),
            new Swaps(),
            new Shorts(),
            new PairFaults($places->groups),
            new MirroredSwaps(),
            new Leaks($places->groups),
            new LooseJoints(),
            new StuckSwitches(),
        ];
    }

    /** @return list<FaultSource> all of a connector loaded by one misunderstanding */
    public static function arranged(FaultPlaces $places): array
    {
        return [new WronglyArranged($places), new ShiftedChannels($places)];
    }

    /**
     * @param  ?Reading  $read  null: everything there is
     * @return list<FaultSource> faults that join what they touch: they show in one symptom
     */
    public static function narrow(FaultPlaces $places, ?Reading $read = null): array
    {
        return [
            new Opens(),
            new Swaps(),
            new Shorts(),
            new Moves(),
            new BetweenConnectors($places),
            new StuckSwitches(),
            ...self::couldShow($read, Method::Insulation, Method::Capacitance) ? [new Leaks($places->groups)] : [],
            ...self::couldShow($read, Method::Wiggle) ? [new LooseJoints()] : [],
        ];
    }

    /**
     * @param  ?Reading  $read  null: everything there is
     * @return list<FaultSource> faults of several joints, which may show in many symptoms
     */
    public static function wide(FaultPlaces $places, ?Reading $read = null): array
    {
        return [
            new PairFaults($places->groups),
            new ExchangedConnectors($places),
            ...self::arranged($places),
            new Shifts($places->rows, $places->groups),
            ...self::couldShow(
                $read,
                Method::EyesA,
                Method::EyesB,
                Method::Noise,
                Method::Ohms,
                Method::Capacitance,
                Method::Certifier,
            )
                ? [new MirroredSwaps()]
                : [],
        ];
    }

    private static function couldShow(?Reading $read, Method ...$methods): bool
    {
        foreach ($methods as $method) {
            if ($read === null || $read->has($method)) {
                return true;
            }
        }

        return false;
    }
}
