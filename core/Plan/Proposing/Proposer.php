<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Ends\Pinout\ConductorChoice;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\ElementLayer;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Length;

/**
 * Unfolds a request: which elements carry a circuit each, and into how many
 * legs and fittings each end parts so that every circuit has a channel.
 * Knows trees and channels; cables and connectors are whatever the catalogue holds.
 */
final readonly class Proposer
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /** @throws CannotPropose naming the field, the value and the remedy */
    public function propose(RunRequest $request): Proposal
    {
        $cable =
            $this->catalogue->cable($request->cable) ??
            throw CannotPropose::unknown('cable', $request->cable, 'cable type');
        $all = $this->carried($cable, $request->signals);
        $carried = array_slice($all, 0, max(1, $request->circuits ?? count($all)), true);
        $circuits = [];
        $carries = [];
        foreach (array_keys($carried) as $i => $element) {
            $element = (string) $element;
            $id = $request->id.'.c'.($i + 1);
            $name =
                count($carried) === 1
                    ? $request->code
                    : $request->code.' '.($cable->element($element)->label ?? $element);
            $circuits[$id] = new Circuit($id, $name, $carried[$element]->id);
            $carries[] = new Carriage($element, $id);
        }
        [$a, $fittingsA] = $this->end($request, 'a', $request->a, $carried);
        [$b, $fittingsB] = $this->end($request, 'b', $request->b, $carried);

        return new Proposal(
            new Run(
                $request->id,
                $request->code,
                $request->cable,
                $request->build,
                $a,
                $b,
                $request->ways,
                $carries,
                $request->loom,
                $request->note,
                length: $request->length,
                sleeve: $request->sleeve,
            ),
            $fittingsA + $fittingsB,
            $circuits,
        );
    }

    /**
     * The elements that carry a circuit. The whole cable where its parts serve
     * one signal together, else each top element by itself.
     *
     * @param  list<string>  $signals
     * @return non-empty-array<array-key, SignalType> by element path
     */
    private function carried(CableType $cable, array $signals): array
    {
        $types = array_map(
            fn (string $id): SignalType => $this->catalogue->signal($id) ??
                throw CannotPropose::unknown('signal', $id, 'signal'),
            $signals,
        );
        if ($types === []) {
            throw CannotPropose::unknown('signal', '', 'signal');
        }
        if (count($types) === 1 && $this->needsParts($types[0]) > 1 && $this->carriesAll($cable, '', $types[0])) {
            return ['' => $types[0]];
        }
        $carried = [];
        $next = 0;
        foreach ($cable->construction->children as $child) {
            $type = $types[min($next, count($types) - 1)];
            if ($child->kind->isConductor() || ! $this->carriesAll($cable, $child->key, $type)) {
                continue;
            }
            $carried[$child->key] = $type;
            $next++;
        }
        if (count($carried) <= 1 && count($types) === 1 && $this->carriesAll($cable, '', $types[0])) {
            return ['' => $types[0]];
        }

        return $carried !== [] ? $carried : throw CannotPropose::carriesNothing($cable->name, $types[0]->name);
    }

    /** How many circuits of a signal a cable carries; none where it cannot. */
    public function capacity(CableType $cable, SignalType $signal): int
    {
        try {
            return count($this->carried($cable, [$signal->id]));
        } catch (CannotPropose) {
            return 0;
        }
    }

    private function needsParts(SignalType $signal): int
    {
        return max(1, ...array_map(static fn ($function): int => $function->part, $signal->functions));
    }

    private function carriesAll(CableType $cable, string $element, SignalType $signal): bool
    {
        foreach ($cable->conductorsWithin($element) as $conductor) {
            if ($conductor->domain !== $signal->domain) {
                return false;
            }
        }
        $choice = ConductorChoice::under($cable, HouseRules::defaults());
        foreach ($signal->functions as $function) {
            if ($function->required && $choice->for($element, $function) === []) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array<array-key, SignalType>  $carried
     * @return array{End, array<int|string, Fitting>}
     */
    private function end(RunRequest $request, string $side, Termination $termination, array $carried): array
    {
        $legs = [];
        $fittings = [];
        $cable = $this->catalogue->theCable($request->cable);
        foreach ($this->batches($termination, $side, $carried) as $i => [$plan, $elements]) {
            $fitting = sprintf('%s.%s%s', $request->id, $side, $i + 1);
            $channels = array_combine(
                $elements,
                array_slice($plan->channelsFor($carried[$elements[0]]), 0, count($elements)),
            );
            foreach (self::together($cable, $elements) as $of) {
                $number = (string) (count($legs) + 1);
                $legs[] = new Leg(
                    'leg-'.$number,
                    $number,
                    $of,
                    $termination->legAt(count($legs)),
                    new Landing($fitting, $plan->id, array_intersect_key($channels, array_flip($of))),
                );
            }
            $fittings[$fitting] = [$plan, (string) ($i + 1)];
        }
        $several = count($fittings) > 1;
        if (count($legs) === 1 && ! self::standsAlone($cable, $legs[0]->elements)) {
            $legs = [new Leg($legs[0]->id, $request->code, [''], Length::zero(), $legs[0]->landing)];
        }
        $made = [];
        foreach ($fittings as $id => [$plan, $number]) {
            $made[$id] = new Fitting(
                (string) $id,
                $request->code.' '.strtoupper($side).($several ? ' '.$number : ''),
                $plan->connector,
                $termination->location,
                $plan->inserts,
                $plan->shared,
            );
        }

        return [
            new End(
                $termination->location,
                $termination->tail,
                $termination->slack,
                $termination->preparation,
                $termination->spares,
                $legs,
                bare: $legs === [] ? $termination->bare : null,
            ),
            $made,
        ];
    }

    /**
     * Whether it is one element with a jacket of its own, as the parts of a composite are: it leaves the sheath by
     * itself, and nothing else of the cable comes to its connector.
     *
     * @param  list<string>  $elements
     */
    private static function standsAlone(CableType $cable, array $elements): bool
    {
        $only = count($elements) === 1 ? $cable->element($elements[0]) : null;

        return $only !== null && $elements[0] !== '' && in_array(ElementLayer::Jacket, $only->layers, true);
    }

    /**
     * What goes to one connector as one leg: each coax is made by itself, whatever shares the block with it.
     *
     * @param  non-empty-list<string>  $elements
     * @return list<non-empty-list<string>>
     */
    private static function together(CableType $cable, array $elements): array
    {
        foreach ($elements as $element) {
            if ($cable->element($element)?->kind !== ElementKind::Coax) {
                return [$elements];
            }
        }

        return array_chunk($elements, 1);
    }

    /**
     * Circuits by fitting: as many on one connector as its plan has channels.
     *
     * @param  array<array-key, SignalType>  $carried
     * @return list<array{ContactPlan, non-empty-list<string>}>
     */
    private function batches(Termination $termination, string $side, array $carried): array
    {
        if ($termination->plans === []) {
            return [];
        }
        $kinds = [];
        foreach ($carried as $element => $signal) {
            $kinds[$signal->id][] = (string) $element;
        }
        $batches = [];
        foreach (array_keys($kinds) as $k => $signal) {
            $id = $termination->plans[min($k, count($termination->plans) - 1)];
            $plan =
                $this->catalogue->contactPlan($id) ??
                throw CannotPropose::unknown($side.'.plans', $id, 'contact plan');
            $serving = count($plan->channelsFor($this->catalogue->theSignal($signal)));
            if ($serving === 0) {
                throw CannotPropose::planWithoutSignal(
                    $side.'.plans',
                    $plan->name,
                    $this->catalogue->theSignal($signal)->name,
                );
            }
            foreach (array_chunk($kinds[$signal], $serving) as $elements) {
                $batches[] = [$plan, $elements];
            }
        }

        return $batches;
    }
}
