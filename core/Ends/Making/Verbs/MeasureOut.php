<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Measure\Length;

/** The way to its terminal is measured on the equipment itself, before anything is cut to it. */
final readonly class MeasureOut implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        return [
            ...self::reach($doing) === null ? ['Nobody has measured it on the equipment yet.'] : [],
            ...$on->measured === null ? [] : ['It is measured already.'],
        ];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        $reach = self::reach($doing);

        return $reach === null ? $on : $on->measuring($reach);
    }

    private static function reach(Doing $doing): ?Length
    {
        return $doing->station->measured ?? $doing->station->planned;
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([], ['measured']);
    }
}
