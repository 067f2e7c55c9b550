<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Plan\Joining\CannotJoin;

/** Legs of an end, by their ids. */
final class Legs
{
    /** @throws CannotJoin where there is none */
    public static function one(End $end, string $id): Leg
    {
        foreach ($end->legs as $leg) {
            if ($leg->id === $id) {
                return $leg;
            }
        }

        throw CannotJoin::unknown('legs', $id, 'leg');
    }
}
