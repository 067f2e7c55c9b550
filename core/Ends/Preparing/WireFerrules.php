<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Schools\MainsEnds;

/**
 * The bootlace ferrule on stranded wire under a screw. How mains ends are
 * finished is a house rule; everywhere else the ferrule is common practice.
 */
final readonly class WireFerrules
{
    public function __construct(private Catalogue $catalogue, private HouseRules $rules)
    {
    }

    /** The smallest that the wire goes into; null where it takes none. */
    public function on(?Conductor $wire): ?Part
    {
        $byRule = $wire?->domain === HazardDomain::Mains && $this->rules->on(MainsEnds::class) !== MainsEnds::Ferrule;
        if ($wire === null || $wire->element->strands === 1 || $byRule) {
            return null;
        }
        $best = null;
        foreach ($this->catalogue->parts() as $part) {
            if (
                $part->kind === PartKind::WireFerrule &&
                $part->gauge !== null &&
                ! $part->gauge->isTooThick($wire->gauge->area) &&
                ($best?->gauge === null || $part->gauge->thickest->area < $best->gauge->thickest->area)
            ) {
                $best = $part;
            }
        }

        return $best;
    }
}
