<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** What stands out is laid otherwise: back over what holds it, or round it. */
final readonly class LayAside implements Act
{
    /** @param  string  $done  in words: "laid back" */
    public function __construct(private Lie $lie, private string $done)
    {
    }

    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if ($on->end->held($piece)->compare($piece->edge) <= 0) {
                $needs[] = sprintf('Nothing of %s stands out to be %s.', Doing::name($piece), $this->done);
            }
            if ($piece->lie === $this->lie) {
                $needs[] = sprintf('%s is %s already.', ucfirst(Doing::name($piece)), $this->done);
            }
            if ($this->lie === Lie::Wound && $piece->kind->isWoven() && $piece->lie !== Lie::Twisted) {
                $needs[] = sprintf('%s has to be twisted before it is wound.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->withEnd(
            $on->end->with(...array_map(fn (Piece $piece): Piece => $piece->lying($this->lie), $doing->pieces)),
        );
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions($doing->around(), $doing->keys());
    }
}
