<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Ends\Preparing\WireFerrules;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Work\Bench\SheetFitting;

/**
 * What single joints take: solder where it is hot, a bootlace ferrule on
 * stranded wire under a screw.
 */
final readonly class JointParts
{
    public function __construct(private Installation $installation)
    {
    }

    /**
     * @param  list<SheetFitting>  $fittings  of the end
     * @return list<Ask>
     */
    public function of(Run $run, Side $side, RunPlan $plan, array $fittings, string $where): array
    {
        $layouts = [];
        foreach ($fittings as $fitting) {
            foreach ($fitting->legs as $leg) {
                $layouts[$leg->leg->id] = $fitting->layout;
            }
        }
        $conductors = $this->installation->catalogue->theCable($run->cable)->conductors();
        $wires = new WireFerrules($this->installation->catalogue, $this->installation->rulesFor($run, $side));
        $hot = 0;
        $ferrules = $screwed = [];
        foreach ($plan->end($side)->joints as $joint) {
            $joining = ($layouts[$joint->leg] ?? null)?->terminal($joint->address())?->joining;
            $hot += $joining?->isHot() === true ? 1 : 0;
            $conductor = $conductors[$joint->conductor] ?? null;
            if ($conductor !== null && $joining?->isScrewed() === true) {
                $screwed[$joint->leg."\0".$joint->address()][] = $conductor;
            }
        }
        foreach ($screwed as $together) {
            $one = $wires->onAll($together);
            foreach ($one === null ? array_filter(array_map($wires->on(...), $together)) : [$one] as $ferrule) {
                $ferrules[$ferrule->id] = ($ferrules[$ferrule->id] ?? 0) + 1;
            }
        }
        $asks = [];
        foreach ($ferrules as $id => $count) {
            $asks[] = new Ask(Sort::Part, (string) $id, (float) $count, $run->id, $where.', wires under screws');
        }
        $solder = $hot > 0 ? $this->solder() : null;

        return $solder === null
            ? $asks
            : [...$asks, new Ask(Sort::Part, $solder->id, (float) $hot, $run->id, $where.', joints')];
    }

    /** The one that is stocked or priced here, else the last that the catalogue lists. */
    private function solder(): ?Part
    {
        $chosen = null;
        foreach ($this->installation->catalogue->parts() as $part) {
            if ($part->kind === PartKind::Solder) {
                if (
                    isset($this->installation->economy()->stock[$part->id]) ||
                    isset($this->installation->economy()->prices[$part->id])
                ) {
                    return $part;
                }
                $chosen = $part;
            }
        }

        return $chosen;
    }
}
