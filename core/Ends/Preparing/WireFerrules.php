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
        return $wire === null || ! $this->takesOne($wire) ? null : $this->smallest([$wire]);
    }

    /**
     * The smallest that is rated for all that go under one screw together; null where there is none, or one of them
     * takes none.
     *
     * @param  non-empty-list<Conductor>  $wires
     */
    public function onAll(array $wires): ?Part
    {
        foreach ($wires as $wire) {
            if (! $this->takesOne($wire)) {
                return null;
            }
        }

        return $this->smallest($wires);
    }

    private function takesOne(Conductor $wire): bool
    {
        $byRule = $wire->domain === HazardDomain::Mains && $this->rules->on(MainsEnds::class) !== MainsEnds::Ferrule;

        return $wire->element->strands !== 1 && ! $byRule;
    }

    /** @param  non-empty-list<Conductor>  $wires */
    private function smallest(array $wires): ?Part
    {
        $areas = array_map(static fn (Conductor $wire): float => $wire->gauge->area, $wires);
        $best = null;
        foreach ($this->catalogue->parts() as $part) {
            if ($part->kind !== PartKind::WireFerrule || $part->gauge === null || $part->wires !== count($wires)) {
                continue;
            }
            $goesIn = ! $part->gauge->isTooThick(max($areas));
            // Round one wire the tool closes any smaller ferrule; rated for several, it is so from its thinnest on.
            $holds = count($wires) === 1 || ! $part->gauge->isTooThin(min($areas));
            if (
                $goesIn &&
                $holds &&
                ($best?->gauge === null || $part->gauge->thickest->area < $best->gauge->thickest->area)
            ) {
                $best = $part;
            }
        }

        return $best;
    }
}
