<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Compatibility\Fit;
use Sartal\Core\Ends\Compatibility\Landed;
use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Compatibility\Misfit;
use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use WeakMap;

/** Every leg of a run in its fitting. Legs with the same misfit are named together. */
final class FitChecks
{
    /** @var ?WeakMap<Catalogue, array<int|string, list<Misfit>>> the same leg in the same connector is judged once for a catalogue */
    private static ?WeakMap $judged = null;

    /**
     * @param  array<int|string, EndPinout>  $ends
     * @return list<Finding>
     */
    public static function of(Run $run, CableType $cable, array $ends, Installation $installation): array
    {
        $found = [];
        self::$judged ??= new WeakMap();
        $judged = self::$judged[$installation->catalogue] ?? [];
        foreach (Side::cases() as $side) {
            foreach ($run->end($side)->legs as $leg) {
                $fit = self::fit($run, $leg, $cable, $ends[$side->value], $installation);
                if ($fit === null) {
                    continue;
                }
                $key = self::key($fit);
                foreach ($judged[$key] ??= Fit::of($fit) as $misfit) {
                    $found[$side->value][$misfit->words]['misfit'] = $misfit;
                    $found[$side->value][$misfit->words]['legs'][] = $leg->label;
                }
            }
        }
        self::$judged[$installation->catalogue] = $judged;
        $findings = [];
        foreach ($found as $side => $bySide) {
            foreach ($bySide as ['misfit' => $misfit, 'legs' => $legs]) {
                $where =
                    sprintf('End %s of %s', $side, $run->code).
                    (count($run->end(Side::from($side))->legs) > 1 ? ', '.self::legs($legs) : '');
                $findings[] = new Finding(
                    $misfit->severity,
                    $misfit->code,
                    Subject::run($run->id),
                    $where.': '.$misfit->words,
                    $misfit->remedy,
                    $misfit->words,
                );
            }
        }

        return $findings;
    }

    /** Null where a leg lands nowhere, or in something unknown, of which others speak. */
    public static function fit(
        Run $run,
        Leg $leg,
        CableType $cable,
        EndPinout $end,
        Installation $installation,
    ): ?LegFit {
        $fitting = $installation->fitting($leg->landing->fitting ?? '');
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
        $types = array_map(static fn (ConnectorType $type): string => $type->id, $fit->layout->types);
        $parts = [
            $fit->cable->id,
            implode(',', $types),
            $fit->connector->id,
            count($fit->elements),
            $fit->diameter()->nanometres ?? '',
            $fit->cable->prepares($element),
            $fit->cable->element($element)->kind->value ?? '',
            $element === '' ? '' : $fit->cable->impedance($element) ?? '',
            implode(',', $fit->chosen),
        ];
        $places = [];
        foreach ($fit->landed as $landed) {
            $conductor = $landed->conductor;
            $place = $places[$landed->address] ??= count($places);
            $parts[] =
                $place.
                ' '.
                $conductor->gauge->text.
                ' '.
                $conductor->element->strands.
                ' '.
                $conductor->element->kind->value.
                ' '.
                ($fit->layout->terminal($landed->address)->name ?? '');
        }

        return implode('|', $parts);
    }

    /** @param  list<string>  $labels */
    private static function legs(array $labels): string
    {
        return count($labels) > 3
            ? sprintf('legs %s to %s', $labels[0], $labels[count($labels) - 1])
            : (count($labels) > 1 ? 'legs ' : 'leg ').implode(', ', $labels);
    }
}
