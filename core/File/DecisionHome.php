<?php

declare(strict_types=1);

namespace Sartal\Core\File;

/** Where a decision is kept. */
enum DecisionHome
{
    /** A row of its own among the runs. */
    case Run;

    /** A row of its own among what runs share. */
    case Entry;

    /** A row of its own, read as part of the catalogue. */
    case Type;

    /** With the installation itself: there is one of it. */
    case Whole;
}
