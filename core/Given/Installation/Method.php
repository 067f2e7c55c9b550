<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A way of looking at an assembly that shows some faults and not others. Minutes: common practice. */
enum Method: string
{
    case Map = 'map';
    case Shells = 'shells';
    case All = 'all';
    case Switches = 'switches';
    case Pairs = 'pairs';
    case Wiggle = 'wiggle';
    case Noise = 'noise';
    case Capacitance = 'capacitance';
    case Ohms = 'ohms';
    case Insulation = 'insulation';
    case Certifier = 'certifier';
    case EyesA = 'eyes-a';
    case EyesB = 'eyes-b';

    public function words(): string
    {
        return match ($this) {
            self::Map => 'end-to-end map',
            self::Shells => 'shells probed as well',
            self::All => 'everything against everything, shells too',
            self::Switches => 'map again with each switch operated',
            self::Pairs => 'pair test',
            self::Wiggle => 'wiggle while the map is read',
            self::Noise => 'signal and noise check',
            self::Capacitance => 'capacitance, core to screen',
            self::Ohms => 'ohmmeter, against what length and gauge make',
            self::Insulation => 'insulation test',
            self::Certifier => 'certifier: length, delay, loop resistance',
            self::EyesA => 'core colours looked at, end A',
            self::EyesB => 'core colours looked at, end B',
        };
    }

    /** min for an assembly, beyond the map. */
    public function minutes(): float
    {
        return match ($this) {
            self::Map, self::Insulation => 1.0,
            self::Shells => 0.2,
            self::Pairs => 0.3,
            self::Switches, self::Wiggle, self::Certifier => 0.5,
            self::All => 0.6,
            self::Noise => 0.8,
            self::Capacitance, self::EyesA, self::EyesB => 1.2,
            self::Ohms => 1.5,
        };
    }

    /** What its readings are in; "" where they are no numbers. */
    public function unit(): string
    {
        return match ($this) {
            self::Ohms => 'Ω',
            self::Insulation => 'MΩ',
            self::Capacitance => 'nF',
            self::Certifier => 'm',
            default => '',
        };
    }

    /** What it shows is which points light. */
    public function lights(): bool
    {
        return in_array($this, [self::Map, self::Shells, self::All, self::Switches], true);
    }

    /** An end has to be open for it. */
    public function opens(): bool
    {
        return $this === self::EyesA || $this === self::EyesB;
    }
}
