<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A way of looking at an assembly that shows some faults and not others. What each is, its class says. */
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
}
