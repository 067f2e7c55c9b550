<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** How more than two places may share one signal. */
enum SignalJoins: string
{
    /** Not at all: it needs an active splitter. */
    case PointToPoint = 'point-to-point';
    /** By a plain Y joint. */
    case Split = 'split';
    /** From one to the next, with a terminator at the last. */
    case Chain = 'chain';
}
