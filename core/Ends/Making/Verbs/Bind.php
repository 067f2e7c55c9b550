<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** What is wound round the connector's own post, or laid back over it, is held there by a tie: that is its joint. */
final readonly class Bind implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if (! in_array($piece->lie, [Lie::Wound, Lie::Folded], true)) {
                $needs[] = sprintf('%s lies round nothing yet.', ucfirst(Doing::name($piece)));
            }
        }

        return [...$needs, ...$doing->unreachable($on)];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $doing->joined($on);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), 'on the cable'], ['joints']);
    }
}
