<?php

declare(strict_types=1);

namespace Tests\Support;

use Sartal\Core\Ends\Making\PartsThere;
use Sartal\Core\Ends\Making\Station;
use Sartal\Core\Ends\Making\Terminals;

/** Stations with what a test is about, and nothing else. */
final class Stand
{
    /** @param  mixed  ...$of  whatever terminals, parts or the station itself know of, by name */
    public static function with(mixed ...$of): Station
    {
        return self::but(new Station(), ...$of);
    }

    /** Another one like it. */
    public static function but(Station $station, mixed ...$of): Station
    {
        if (isset($of['parts'])) {
            $of['arrive'] = $of['parts'];
            unset($of['parts']);
        }
        $own = static fn (object $value): array => array_intersect_key($of, get_object_vars($value)) +
            get_object_vars($value);

        return new Station(...[
            'terminals' => new Terminals(...$own($station->terminals)),
            'parts' => new PartsThere(...$own($station->parts)),
        ] + $own($station));
    }
}
