<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** A layer is taken off, from its end inwards. */
final readonly class Remove implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            $at = $doing->place($on, $piece);
            if ($at !== null && $at->compare($piece->edge) <= 0) {
                $needs[] = sprintf('There is no %s left to take off as far out as that.', $piece->kind->word());
            }
            array_push($needs, ...$doing->barred($on, $piece, $at, false));
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        $left = [];
        foreach ($doing->pieces as $piece) {
            $at = $doing->place($on, $piece);
            array_push($left, ...$at === null ? [] : [$piece->beginningAt($at)->lying(Lie::InPlace)]);
        }

        return $on->withEnd($on->end->with(...$left));
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->around(), Regions::END], $doing->keys());
    }
}
