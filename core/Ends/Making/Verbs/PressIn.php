<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** The tool is closed in one stroke, and lets go when the stroke is whole. */
final readonly class PressIn implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        return [
            ...$on->inserted === [] ? ['Nothing is in the connector yet.'] : [],
            ...$on->joined === [] ? [] : ['It is pressed already.'],
            ...in_array('order', $on->looked, true)
                ? []
                : ['The order has to be looked at once more before.'],
        ];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $doing->joined($on);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), 'looked'], ['joints']);
    }
}
