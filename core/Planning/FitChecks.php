<?php

declare(strict_types=1);

namespace Sartal\Core\Planning;

use Sartal\Core\Catalogue\CableType;
use Sartal\Core\Compatibility\Fit;
use Sartal\Core\Compatibility\Landed;
use Sartal\Core\Compatibility\LegFit;
use Sartal\Core\Findings\Finding;
use Sartal\Core\Installation\Installation;
use Sartal\Core\Installation\Leg;
use Sartal\Core\Installation\Run;
use Sartal\Core\Installation\Side;
use Sartal\Core\Pinout\EndPinout;
use Sartal\Core\Wiring\FittingLayout;

/** Every leg of a run in its fitting. Legs with the same misfit are named together. */
final class FitChecks
{
    /**
     * @param  array<string, EndPinout>  $ends
     * @return list<Finding>
     */
    public static function of(Run $run, CableType $cable, array $ends, Installation $installation): array
    {
        $found = [];
        foreach (Side::cases() as $side) {
            $alike = [];
            foreach ($run->end($side)->legs as $leg) {
                $fit = self::fit($run, $leg, $cable, $ends[$side->value], $installation);
                if ($fit === null) {
                    continue;
                }
                $key = self::key($fit);
                foreach ($alike[$key] ??= Fit::of($fit) as $misfit) {
                    $found[$side->value][$misfit->words]['misfit'] = $misfit;
                    $found[$side->value][$misfit->words]['legs'][] = $leg->label;
                }
            }
        }
        $findings = [];
        foreach ($found as $side => $bySide) {
            foreach ($bySide as ['misfit' => $misfit, 'legs' => $legs]) {
                $where = sprintf('End %s of %s', $side, $run->code).(count($run->end(Side::from($side))->legs) > 1 ? ', '.self::legs($legs) : '');
                $findings[] = new Finding($misfit->severity, $misfit->code, 'run:'.$run->id, $where.': '.$misfit->words, $misfit->remedy);
            }
        }

        return $findings;
    }

    /** Null where a leg lands nowhere, or in something unknown, of which others speak. */
    public static function fit(Run $run, Leg $leg, CableType $cable, EndPinout $end, Installation $installation): ?LegFit
    {
        $fitting = $installation->fittings[$leg->landing->fitting ?? ''] ?? null;
        $layout = $fitting === null ? null : FittingLayout::of($fitting, $installation->catalogue);
        if ($fitting === null || $layout === null) {
            return null;
        }
        $landed = [];
        foreach ($end->joints as $joint) {
            $conductor = $cable->conductors()[$joint->conductor] ?? null;
            if ($joint->leg === $leg->id && $conductor !== null && $layout->has($joint->address())) {
                $landed[] = new Landed($conductor, $joint->address());
            }
        }

        return new LegFit($cable, $leg->elements, $layout, $landed, $installation->catalogue, $fitting->parts);
    }

    /** What the rules look at, so that 24 equal tails are judged once. */
    private static function key(LegFit $fit): string
    {
        $element = $fit->elements[0] ?? '';
        $parts = [$fit->connector->id, count($fit->elements), $element === '' ? '' : (string) preg_replace('~\d+~', '#', $element), implode(',', $fit->chosen)];
        foreach ($fit->landed as $landed) {
            $parts[] = $landed->conductor->gauge->text.$landed->conductor->element->kind->value.($fit->layout->terminal($landed->address)->name ?? '');
        }
        $parts[] = count(array_unique(array_map(static fn (Landed $landed): string => $landed->address, $fit->landed)));

        return implode('|', $parts);
    }

    /** @param  list<string>  $labels */
    private static function legs(array $labels): string
    {
        return count($labels) > 3 ? sprintf('legs %s to %s', $labels[0], $labels[count($labels) - 1]) : (count($labels) > 1 ? 'legs ' : 'leg ').implode(', ', $labels);
    }
}
