<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * Which understanding of the work something was reckoned by. A later edition
 * may know of lengths and steps that an earlier one did not; what was done by
 * the earlier is judged without them, so that learning overtakes nothing.
 */
enum Edition: int
{
    case First = 1;

    case Second = 2;

    /** Ends are made by procedures. */
    case Third = 3;

    public static function now(): self
    {
        return self::Third;
    }
}
