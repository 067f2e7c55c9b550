<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** What a test instrument is, and so what it can be asked. */
enum InstrumentKind: string
{
    case Lamp = 'lamp';
    case WireMap = 'wire-map';
    case Loom = 'loom';
    case Meter = 'meter';
    case Certifier = 'certifier';
    case Ears = 'ears';

    public function words(): string
    {
        return match ($this) {
            self::Lamp => 'continuity lamp',
            self::WireMap => 'wire-map tester',
            self::Loom => 'loom tester, all against all',
            self::Meter => 'ohm, insulation and capacitance meter',
            self::Certifier => 'cable certifier',
            self::Ears => 'signal source and headphones',
        };
    }

    /** @return list<Method> */
    public function methods(): array
    {
        return match ($this) {
            self::Lamp => [Method::Map, Method::Shells, Method::Switches, Method::Wiggle],
            self::WireMap => [Method::Map, Method::Shells, Method::Pairs],
            self::Loom => [Method::Map, Method::Shells, Method::All, Method::Switches, Method::Wiggle],
            self::Meter => [Method::Ohms, Method::Insulation, Method::Capacitance],
            self::Certifier => [Method::Map, Method::Shells, Method::Pairs, Method::Certifier],
            self::Ears => [Method::Noise, Method::Wiggle],
        };
    }
}
