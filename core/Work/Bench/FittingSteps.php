<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\Defect;
use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\Stations;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Formerly\FormerSteps;

/** What is done at one connector by procedures, from where its legs meet it to where it is closed. */
final readonly class FittingSteps
{
    private const MATED = 'It is plugged into the other half, which is finished first.';

    /** @param  array<int|string, CableType>  $cables  by run */
    private function __construct(
        private OperationDraft $draft,
        private FormerSteps $former,
        private SheetFitting $sheet,
        private Spot $spot,
        private JointWires $wires,
        private array $cables,
        private Catalogue $catalogue,
    ) {
    }

    /**
     * @param  non-empty-list<SheetFitting>  $sheets  the fitting as each of its ends sees it
     * @param  non-empty-list<LegWork>  $legs
     * @param  array<int|string, CableType>  $cables  by run
     * @return string the operation after which it is closed
     */
    public static function foreseen(
        OperationDraft $draft,
        FormerSteps $former,
        array $sheets,
        array $legs,
        array $cables,
        Catalogue $catalogue,
    ): string {
        $sheet = $sheets[0];
        $spot = self::spot($sheet, $legs);
        $steps = new self($draft, $former, $sheet, $spot, JointWires::of($legs), $cables, $catalogue);
        foreach ($legs as $leg) {
            $steps->leg($leg, $leg->end);
        }

        return StepId::ofFitting($sheet->fitting->id, StepKind::Close)->text();
    }

    /** @param  non-empty-list<LegWork>  $legs */
    private static function spot(SheetFitting $sheet, array $legs): Spot
    {
        $places = array_unique(array_map(
            static fn (LegWork $leg): string => sprintf('%s end %s', $leg->run->code, $leg->side->value),
            $legs,
        ));
        $runs = array_unique(array_map(static fn (LegWork $leg): string => $leg->run->id, $legs));
        $first = $legs[0];

        return new Spot(
            $first->run->id,
            $first->side,
            $sheet->fitting->id,
            count($legs) === 1 ? $first->leg->leg->id : '',
            count($legs) === 1 ? $first->place : implode(' and ', $places).', '.$sheet->fitting->label,
            array_values(array_diff($runs, [$first->run->id])),
        );
    }

    private function leg(LegWork $leg, MadeEnd $end): void
    {
        $second = SecondHalf::of($end);
        $places = LegPlaces::of($end);
        $cable = $this->cables[$leg->run->id];
        $make = new StepOperation(
            $cable,
            $end->procedure->id,
            $this->sheet->isMains(),
            Cautions::at($this->sheet->type),
        );
        $joints = new JointSteps(
            $this->draft,
            $this->former,
            $this->sheet,
            $this->spot,
            $this->wires,
            $this->cables,
        );
        $words = new StepWords($cable);
        $before = $leg->slid;
        $groups = $second->groups;
        if (! $second->isLooked()) {
            // Nothing is covered or closed that nobody has looked at.
            array_splice($groups, $this->joined($groups, $leg), 0, [[]]);
        }
        $closing = count($groups) - 1;
        $i = max(0, $end->meets() - 1);
        foreach ($groups as $g => $group) {
            $i = $group[count($group) - 1] ?? $i;
            $step = $end->made->steps[$i];
            $verb = $step->step->verb;
            $turn = $places->turn($i);
            $keys = $group === [] ? [] : $this->wires->keys($leg, $i);
            $ids = match (true) {
                $group === [] => [$this->look([], $step, true, $end, $make, $turn)],
                $keys !== [] => $joints->of($keys, $step, $make, $turn, $places->wait($i)),
                $verb === Verb::LookOver, $verb === Verb::Mate => [
                    $this->look($group, $step, $second->isLast($group), $end, $make, $turn),
                ],
                $g === $closing => [$this->close($group, $end, $make, $words)],
                $verb === Verb::Seat => $this->add($step, $leg, $make, $turn),
                default => [
                    $this->step($step, $leg, $make, $turn, $places->wait($i), self::first($group, $end, $words)),
                ],
            };
            foreach ($ids as $id) {
                $this->draft->need($id, $before, self::why($step, $group, $end->made->steps));
                $this->draft->need($id, $verb === Verb::Mate ? $this->farClosed($leg) : '', self::MATED);
            }
            $before = $ids;
        }
    }

    /** The operation after which the half that this one plugs into is finished. */
    private function farClosed(LegWork $leg): string
    {
        $fitting = $leg->run->a->legs[0]->landing->fitting ?? '';

        return $fitting === '' ? '' : StepId::ofFitting($fitting, StepKind::Close)->text();
    }

    /**
     * How many groups there are up to the last that makes a joint.
     *
     * @param  non-empty-list<list<int>>  $groups
     */
    private function joined(array $groups, LegWork $leg): int
    {
        $last = 0;
        foreach ($groups as $g => $group) {
            $last = $group !== [] && $this->wires->keys($leg, $group[count($group) - 1]) !== [] ? $g + 1 : $last;
        }

        return min($last, count($groups) - 1);
    }

    /**
     * @param  list<int>  $group
     * @param  list<StepMade>  $steps
     */
    private static function why(StepMade $step, array $group, array $steps): string
    {
        $verb = $group === [] ? Verb::LookOver : $steps[$group[0]]->step->verb;

        return match (true) {
            $verb->isJoining() => 'It is ready to be joined, with everything on it that does not pass the connector.',
            $verb === Verb::Tug => 'All its joints are made first.',
            $verb === Verb::LookOver => 'What comes loose shows before it is looked at.',
            $step->step->verb === Verb::Shrink => 'Under shrink a joint is not seen again.',
            $step->step->verb === Verb::Close => 'Closed, it is not seen again.',
            default => 'One thing after the other: what comes before lies under it.',
        };
    }

    /**
     * What is looked over one after the other is one look, with all that can be found at it.
     *
     * @param  list<int>  $group
     * @param  StepMade  $after  the last step that was done before it is over
     */
    private function look(
        array $group,
        StepMade $after,
        bool $isLast,
        MadeEnd $end,
        StepOperation $make,
        int $turn,
    ): string {
        $steps = array_map(static fn (int $i): StepMade => $end->made->steps[$i], $group);
        $checks = array_filter(array_map(static fn (StepMade $step): string => $step->step->check, $steps));
        $here = array_map(static fn (StepMade $step): string => $step->step->catches, $steps);
        $isAfterAll = ! in_array(Verb::PressIn, array_map(
            static fn (StepMade $step): Verb => $step->step->verb,
            array_slice($end->made->steps, ($group[count($group) - 1] ?? count($end->made->steps)) + 1),
        ), true);
        $known = $end->defects();
        $found = array_filter($known, static fn (Defect $defect): bool => in_array($defect->name, $here, true));
        $rest = $isLast
            ? array_filter($known, static fn (Defect $defect): bool => ! in_array($defect->name, $here, true))
            : [];
        $id = $isLast
            ? StepId::ofFitting($this->sheet->fitting->id, StepKind::Inspect)
            : StepId::ofFitting($this->sheet->fitting->id, StepKind::Inspect, $steps[0]->step->id);
        $look = $make->of(
            $id,
            $after,
            $this->spot,
            Phase::Join,
            $turn,
            $this->former->at($this->sheet->fitting->id, StepKind::Inspect),
            Task::Inspect,
            $isLast && $isAfterAll ? 'Look it over before it is closed' : 'Look it over',
            why: $isLast ? 'Rework takes minutes now; once it is closed it is a new end.' : '',
            joining: $this->sheet->terminals === [] ? null : $this->sheet->terminals[0]->joining,
            like: 'inspect|'.$end->procedure->id.($isLast ? '' : '|'.$steps[0]->step->id),
        );

        return $this->draft->add($look->lookingFor(implode('; ', $checks), array_values([...$found, ...$rest])));
    }

    /**
     * What is brought to its place and shut, one thing after the other.
     *
     * @param  non-empty-list<int>  $group
     */
    private function close(
        array $group,
        MadeEnd $end,
        StepOperation $make,
        StepWords $words,
    ): string {
        $steps = array_map(static fn (int $i): StepMade => $end->made->steps[$i], $group);
        $does = $checks = [];
        foreach ($steps as $step) {
            $isSaid = ! in_array($step->step->verb, [Verb::Close, Verb::Cool], true);
            array_push($does, ...$isSaid ? [$words->does($step->doing)] : []);
            array_push($checks, ...$step->step->check === '' ? [] : [$step->step->check]);
        }
        $panel = $this->sheet->type->mount === Mount::Panel;
        $hardware = PanelHardware::names($this->sheet->type, $this->catalogue);
        $does = [...$does, ...$hardware === [] ? [] : ['With '.implode(', ', $hardware)]];
        $id = StepId::ofFitting($this->sheet->fitting->id, StepKind::Close);
        $close = $make->of(
            $id,
            self::shutting($steps),
            $this->spot,
            Phase::Close,
            0,
            $this->former->same($id),
            Task::Close,
            $panel ? 'Fix it in its panel' : 'Close the connector',
            implode('. ', $does).($does === [] ? '' : '.'),
            why: 'The connector may carry a pull; a joint may not.',
            like: 'close|'.$this->sheet->type->id,
            tool: $panel && $hardware !== [] ? PanelHardware::TOOL : '',
        );

        $checks = $checks === [] ? ['the strain relief holds the sheath, not the cores'] : $checks;

        return $this->draft->add($close->checked(implode('; ', $checks)));
    }

    /**
     * A part that is added, and did not lie on the cable.
     *
     * @return list<string>
     */
    private function add(
        StepMade $step,
        LegWork $leg,
        StepOperation $make,
        int $turn,
    ): array {
        $ids = [];
        $alike = new Alike();
        $own = new Spot($leg->run->id, $leg->side, $this->spot->fitting, $leg->leg->leg->id, $leg->place);
        foreach ($leg->leg->preparation->slides as $slide) {
            if (Stations::name($slide) !== $step->step->part) {
                continue;
            }
            $isShared = $this->spot->leg === '' && $slide->part->kind->isOnePerConnector();
            $key = $alike->key($isShared
                ? $slide->part->id
                : implode(' ', [$slide->part->id, $own->run, $own->side->value, $own->leg]));
            $ids[] = $this->draft->add(
                $make->of(
                    StepId::ofFitting($this->sheet->fitting->id, StepKind::BringUp, $key),
                    $step,
                    $isShared ? $this->spot : $own,
                    Phase::Join,
                    $turn,
                    $this->former->bringing($this->sheet->fitting->id, $slide->part->id),
                    Task::Close,
                    ($slide->part->kind === PartKind::Shrink ? 'Slide on ' : 'Fit ').LegSlides::name($slide),
                    $slide->note,
                    $slide->part->id,
                    trim($slide->why.' '.$step->step->why),
                    pace: Pace::SlideOn,
                    like: 'late|'.$slide->part->id,
                ),
            );
        }

        return $ids;
    }

    /**
     * What is brought to its place for it.
     *
     * @param  list<int>  $group
     */
    private static function first(array $group, MadeEnd $end, StepWords $words): string
    {
        $does = array_map(
            static fn (int $i): string => $words->does($end->made->steps[$i]->doing).'.',
            array_slice($group, 0, -1),
        );

        return implode(' ', $does);
    }

    /** @param  non-empty-list<StepMade>  $steps */
    private static function shutting(array $steps): StepMade
    {
        foreach ($steps as $step) {
            if ($step->step->verb === Verb::Close) {
                return $step;
            }
        }

        return $steps[count($steps) - 1];
    }

    private function step(
        StepMade $step,
        LegWork $leg,
        StepOperation $make,
        int $turn,
        int $wait,
        string $detail,
    ): string {
        $verb = $step->step->verb;
        $ofLeg = in_array($verb, [
            Verb::Shrink,
            Verb::LayForward,
            Verb::Crimp,
            Verb::PushOn,
            Verb::Insert,
        ], true);
        $own = new Spot($leg->run->id, $leg->side, $this->spot->fitting, $leg->leg->leg->id, $leg->place);
        $fitting = $this->sheet->fitting->id;

        return $this->draft->add(
            $make->of(
                match (true) {
                    $verb === Verb::Tug => StepId::ofFitting($fitting, StepKind::Tug),
                    $ofLeg => StepId::ofLeg($own->run, $own->side, $own->leg, StepKind::Make, $step->step->id),
                    default => StepId::ofFitting($fitting, StepKind::Make, $step->step->id),
                },
                $step,
                $ofLeg ? $own : $this->spot,
                Phase::Join,
                $turn,
                match ($verb) {
                    Verb::Tug => $this->former->at($fitting, StepKind::Tug),
                    Verb::Shrink => $this->former->at(
                        $fitting,
                        StepKind::ShrinkJoints,
                        StepKind::ShrinkTail,
                        StepKind::ShrinkBroughtUp,
                    ),
                    // Of slots some may have been joined and others not: what comes after all is done once it was seen.
                    default => $this->former->at(
                        $fitting,
                        $step->isAfterLayingIn() ? StepKind::Inspect : StepKind::Join,
                    ),
                },
                in_array($verb, [Verb::Tug, Verb::Shrink], true) ? null : Task::Fit,
                detail: $detail,
                amount: $verb === Verb::Tug ? (float) max(1, count($step->doing->station->terminals->all())) : null,
                wait: $wait,
            ),
        );
    }
}
