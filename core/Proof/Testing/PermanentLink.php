<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/**
 * What a permanent link of four-pair cable may have at most, whatever was
 * planned. Source: ANSI/TIA-568 and ISO/IEC 11801 (from memory).
 */
final class PermanentLink
{
    /** Ω, both cores of a pair one after the other. */
    public const LOOP = 21.0;

    /** ns */
    public const DELAY = 498.0;

    /** ns between the fastest pair and the slowest. */
    public const SKEW = 44.0;

    /** m */
    public const LENGTH = 90.0;
}
