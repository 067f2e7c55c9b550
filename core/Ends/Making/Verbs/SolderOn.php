<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** A loose contact is soldered on each core, where the house does not crimp it. */
final readonly class SolderOn implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if ($piece->tinned->isZero()) {
                $needs[] = sprintf('%s is not tinned.', ucfirst(Doing::name($piece)));
            }
            if (isset($on->hot[$piece->key()])) {
                $needs[] = sprintf('%s is still hot from tinning.', ucfirst(Doing::name($piece)));
            }
            if (isset($on->crimped[$piece->key()])) {
                $needs[] = sprintf('%s has its contact already.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->crimping(...$doing->keys())->heating($doing->keys(), $doing->step->seconds);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(
            [...$doing->keys(), ...$doing->around(), 'on the cable', Regions::CLOCK],
            ['crimps', ...$doing->keys()],
        );
    }
}
