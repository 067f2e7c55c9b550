<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

/**
 * A question on which good practitioners disagree. Each answer is one case;
 * an installation chooses once, and every sheet follows but where it says otherwise.
 */
interface School extends \BackedEnum
{
    /** Name in a file. */
    public static function key(): string;

    public static function question(): string;

    /** What holds until somebody chooses otherwise. */
    public static function usual(): static;

    /** For what another answer may hold than the house's. */
    public static function latitude(): Latitude;

    /** Why that. */
    public static function reason(): string;

    public function words(): string;
}
