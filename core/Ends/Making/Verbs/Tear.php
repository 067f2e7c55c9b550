<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** What was split along is taken off round: no blade comes near what is under it. */
final readonly class Tear implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if ($piece->lie !== Lie::Opened && $piece->lie !== Lie::Scored) {
                $needs[] = sprintf('%s is not split or scored: it does not tear.', ucfirst(Doing::name($piece)));
            }
        }

        return [...$needs, ...(new Remove())->needs($on, $doing)];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return (new Remove())->done($on, $doing);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return (new Remove())->regions($on, $doing);
    }
}
