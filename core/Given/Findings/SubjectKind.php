<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Findings;

/** What findings speak of. */
enum SubjectKind: string
{
    case Run = 'run';
    case Fitting = 'fitting';
    case Circuit = 'circuit';
    case Way = 'way';
    case Loom = 'loom';
    case Reel = 'reel';
    case ContactPlan = 'plan';
    case Equipment = 'equipment';
    case Panel = 'panel';
    case Cable = 'cable';
}
