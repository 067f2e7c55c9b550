<?php

declare(strict_types=1);

namespace Sartal\Core\Diagnosing;

/** A way of looking at an assembly that shows some faults and not others. Minutes: common practice. */
enum Check: string
{
    case Map = 'map';
    case Shells = 'shells';
    case Pairs = 'pairs';
    case Ohms = 'ohms';
    case Insulation = 'insulation';
    case EyesA = 'eyes-a';
    case EyesB = 'eyes-b';

    public function words(): string
    {
        return match ($this) {
            self::Map => 'end-to-end map',
            self::Shells => 'shells probed as well',
            self::Pairs => 'pair test',
            self::Ohms => 'ohmmeter, against what length and gauge make',
            self::Insulation => 'insulation test',
            self::EyesA => 'core colours looked at, end A',
            self::EyesB => 'core colours looked at, end B',
        };
    }

    /** min for an assembly, beyond the map. */
    public function minutes(): float
    {
        return match ($this) {
            self::Map => 1.0,
            self::Shells => 0.2,
            self::Pairs => 0.3,
            self::Ohms => 1.5,
            self::Insulation => 1.0,
            self::EyesA, self::EyesB => 1.2,
        };
    }
}
