<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Given\Installation\Method;

/** Which class a method is. All else about it is there. */
final class Methods
{
    public static function card(Method $method): MethodCard
    {
        return self::sense($method)::card($method);
    }

    public static function for(Method $method, TestSetup $setup): Sense
    {
        return self::sense($method)::for($method, $setup);
    }

    /** @return class-string<Sense> */
    private static function sense(Method $method): string
    {
        return match ($method) {
            Method::Map, Method::Shells, Method::All, Method::Switches => LampSense::class,
            Method::Pairs => PairSense::class,
            Method::Wiggle => WiggleSense::class,
            Method::Noise => NoiseSense::class,
            Method::Capacitance => CapacitanceSense::class,
            Method::Ohms => OhmSense::class,
            Method::Insulation => InsulationSense::class,
            Method::Certifier => CertifierSense::class,
            Method::EyesA, Method::EyesB => EyesSense::class,
        };
    }
}
