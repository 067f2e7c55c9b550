<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** Mains is never treated like signal: not in a leg, not in a fitting, not in a test. */
enum HazardDomain: string
{
    case Signal = 'signal';
    case Mains = 'mains';
}
