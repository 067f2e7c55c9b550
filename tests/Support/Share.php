<?php

declare(strict_types=1);

namespace Tests\Support;

/**
 * Of what is tried in thousands, a share: another one with each commit, so that all of it is tried in time and a build
 * ends. SARTAL_ALL=1 tries all of it; SARTAL_DRAW=… draws again as a commit did, by its hash.
 */
final class Share
{
    private static ?string $drawn = null;

    /** @param  int  $oneIn  of so many */
    public static function isDrawn(string $what, int $oneIn): bool
    {
        return self::isAll() || crc32(self::draw().' '.$what) % $oneIn === 0;
    }

    public static function many(int $few, int $all): int
    {
        return self::isAll() ? $all : $few;
    }

    /** Of so many that are there by all means, those that a share holds by all means. */
    public static function least(int $all, int $oneIn): int
    {
        return self::isAll() ? $all : intdiv($all, 2 * $oneIn);
    }

    public static function isAll(): bool
    {
        return getenv('SARTAL_ALL') === '1';
    }

    /** By what is drawn: the commit, unless another is said. */
    public static function draw(): string
    {
        $said = getenv('SARTAL_DRAW');

        return self::$drawn ??= is_string($said) && $said !== ''
            ? $said
            : trim((string) shell_exec('git -C '.escapeshellarg(dirname(__DIR__, 2)).' rev-parse HEAD 2>/dev/null'));
    }
}
