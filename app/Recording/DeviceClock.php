<?php

declare(strict_types=1);

namespace App\Recording;

use DateTimeImmutable;
use Exception;
use Illuminate\Http\Request;

/** A device says with everything that it sends what its clock shows; how far that is out is kept with the record. */
final class DeviceClock
{
    public const HEADER = 'Sartal-Clock';

    /** s: what is nearer is the way through the network, and nobody's clock. */
    private const NEAR = 120;

    private const FAR = 315_360_000;

    private const TIME = '~^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,6})?(Z|[+-]\d\d:\d\d)$~';

    /** @return int s by which it is behind, to the minute; 0 where it is right or nobody said */
    public static function behind(Request $request): int
    {
        $said = $request->header(self::HEADER);
        if (! is_string($said) || preg_match(self::TIME, $said) !== 1) {
            return 0;
        }
        try {
            $behind = now()->getTimestamp() - (new DateTimeImmutable($said))->getTimestamp();
        } catch (Exception) {
            return 0;
        }

        return abs($behind) < self::NEAR || abs($behind) > self::FAR ? 0 : (int) round($behind / 60) * 60;
    }
}
