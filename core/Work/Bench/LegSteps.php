<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\Defect;
use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\Stations;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Ends\Preparing\Passing;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Ends\Preparing\SlideOver;
use Sartal\Core\Ends\Preparing\WireFerrules;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Formerly\FormerSteps;

/** What is done to one leg by its procedure, up to where it meets its connector. */
final readonly class LegSteps
{
    /** Contacts that are waited for by every joint; of more, each joint waits for its own. */
    private const FEW = 6;

    public function __construct(
        private OperationDraft $draft,
        private WireFerrules $wires,
        private FormerSteps $former,
    ) {
    }

    /**
     * @param  bool  $shares  its connector takes other legs too, so that hood, shell and nut go on once for all
     * @param  ?Part  $label  of the leg, where it has one of its own
     * @param  list<string>  $after  operations on the run and on the sheath that all of this waits for
     */
    public function of(
        Run $run,
        Side $side,
        SheetFitting $fitting,
        SheetLeg $leg,
        MadeEnd $end,
        CableType $cable,
        bool $shares,
        ?Part $label,
        array $after,
    ): LegWork {
        $place =
            sprintf('%s end %s', $run->code, $side->value).
            (count($run->end($side)->legs) > 1 ? ', tail '.$leg->leg->label : '');
        $spot = new Spot($run->id, $side, $fitting->fitting->id, $leg->leg->id, $place);
        $isMains = $fitting->isMains();
        $skill = $isMains ? Skill::Mains : null;
        $sleeving = (new LegSleeveSteps($this->draft))->of($leg->sleeving, $leg->leg->label, $spot, $after, $skill);
        [$ids, $sleeve] = $this->label($label, $spot, [...$after, ...$sleeving], $skill);
        array_unshift($ids, ...$sleeving);
        $places = LegPlaces::of($end);
        $make = new StepOperation($cable, $end->procedure->id, $isMains);
        $contacts = new ContactSteps($this->draft, $this->wires, $this->former, $cable);
        $gates = new LegGate($this->draft, $isMains);
        $ops = [];
        $gate = '';
        $turns = $end->turns();
        $meets = $end->meets();
        foreach (array_slice($end->made->steps, 0, $meets) as $i => $step) {
            if ($i === $turns) {
                $gate = $this->gate($gates, $end, $ops, $spot, $places->turn($i));
            }
            $ops[$i] = match ($step->step->verb) {
                Verb::Cool => LegPlaces::after($end->needs[$i], $ops),
                Verb::Slide => $this->slide($step, $leg, $make, $spot, $places->turn($i), $shares, $ids),
                Verb::Crimp, Verb::SolderOn, Verb::Ferrule => $contacts->of(
                    $step,
                    $leg,
                    $fitting,
                    $make,
                    $spot,
                    $places->turn($i),
                ),
                Verb::LookOver => [$this->look($step, $end, $leg, $fitting, $make, $spot, $places->turn($i))],
                default => [$this->step($step, $leg, $fitting, $make, $spot, $places, $i)],
            };
            if ($step->step->verb === Verb::Cool) {
                continue;
            }
            $words = new StepWords($cable);
            $isFirst = $end->needs[$i] === [];
            $isTurned = array_filter($end->needs[$i], static fn (int $before): bool => $before >= $turns) !== [];
            foreach ($ops[$i] as $op) {
                $this->draft->need($op, $isFirst ? $after : [], 'The end is free once this is done.');
                $this->draft->need(
                    $op,
                    $isTurned ? '' : $gate,
                    'From here on nothing comes along the cable: all of it has to be there.',
                );
                foreach ($end->needs[$i] as $before) {
                    $this->draft->need($op, $ops[$before], LegPlaces::reason($end->made->steps[$before], $words));
                }
            }
        }
        if ($gate === '' && $turns === $meets) {
            $gate = $this->gate($gates, $end, $ops, $spot, $places->turn($meets));
        }

        return new LegWork(
            $run,
            $side,
            $leg,
            $place,
            [...$ids, ...self::ready($end, $ops, $gate)],
            $sleeve,
            $end,
            $ops,
        );
    }

    /** @param  array<int, list<string>>  $ops */
    private function gate(LegGate $gates, MadeEnd $end, array $ops, Spot $spot, int $turn): string
    {
        return $gates->of(
            $end,
            $ops,
            $spot,
            $turn,
            Phase::Bare,
            StepId::ofLeg($spot->run, $spot->side, $spot->leg, StepKind::Gate),
            [
                ...$this->former->preparing($spot->run, $spot->side, $spot->leg, Verb::Tin, []),
                ...$this->former->at($spot->fitting, StepKind::Join),
            ],
        );
    }

    /**
     * What nothing else was waiting for: with it all before it is done. A contact is waited for by its own joint.
     *
     * @param  array<int, list<string>>  $ops
     * @return list<string>
     */
    private static function ready(MadeEnd $end, array $ops, string $gate): array
    {
        $isWaitedFor = [];
        foreach (array_keys($ops) as $i) {
            $isWaitedFor += array_flip($end->needs[$i]);
        }
        $ready = $gate === '' ? [] : [$gate];
        foreach ($ops as $i => $of) {
            $verb = $end->made->steps[$i]->step->verb;
            array_push($ready, ...isset($isWaitedFor[$i]) || ($verb->endsCores() && count($of) > self::FEW) ? [] : $of);
        }

        return $ready;
    }

    /**
     * A label that is a sleeve lies behind everything else that is put on the leg here.
     *
     * @param  list<string>  $after
     * @return array{list<string>, ?string}
     */
    private function label(?Part $label, Spot $spot, array $after, ?Skill $skill): array
    {
        [$ids, $sleeve] = (new LegSlides($this->draft))->of(
            [],
            $label,
            [
                'run' => $spot->run,
                'side' => $spot->side,
                'fitting' => $spot->fitting,
                'leg' => $spot->leg,
                'place' => $spot->place,
            ],
            static fn (StepKind $kind, ?string $key = null, ?string $first = null): StepId => StepId::ofLeg(
                $spot->run,
                $spot->side,
                $spot->leg,
                $kind,
                $key,
                $first,
            ),
            $after,
            $skill,
        );

        return [$ids, $sleeve];
    }

    /**
     * What is put on the cable.
     *
     * @param  list<string>  $behind  operations that put on what lies behind
     * @return list<string>
     */
    private function slide(
        StepMade $step,
        SheetLeg $leg,
        StepOperation $make,
        Spot $spot,
        int $turn,
        bool $shares,
        array $behind,
    ): array {
        $ids = [];
        $alike = new Alike();
        foreach ($leg->preparation->slides as $slide) {
            if ($slide->over === SlideOver::Leg) {
                $key = $alike->key($slide->part->id);
                $kind = StepKind::SlideOn;
            } else {
                $key = $alike->key('over '.$slide->part->id);
                $key = substr($key, 5);
                $kind = StepKind::CoreSleeve;
            }
            if (Stations::name($slide) !== $step->step->part) {
                continue;
            }
            $isShared = $shares && $slide->part->kind->isOnePerConnector();
            $id = $isShared
                ? StepId::ofFitting($spot->fitting, StepKind::SlideOn, $slide->part->id, 'slide|'.$slide->part->id)
                : StepId::ofLeg($spot->run, $spot->side, $spot->leg, $kind, $key);
            $ids[] = $op = $this->draft->add(
                $make->of(
                    $id,
                    $step,
                    $isShared ? new Spot($spot->run, $spot->side, $spot->fitting, '', $spot->place) : $spot,
                    $isShared ? Phase::OnceForAll : Phase::Bare,
                    $turn,
                    $this->former->same($id),
                    words: 'Slide on '.LegSlides::name($slide),
                    detail: $isShared ? 'over the sheath, once for all that goes into it' : $slide->note,
                    part: $slide->part->id,
                    why: trim($slide->why.' '.$step->step->why),
                    amount: (float) $slide->count,
                    like: 'slide|'.$slide->part->id,
                ),
            );
            foreach ($leg->preparation->slides as $other) {
                // Shown as it is: what gets past it might as well come after it.
                $lies = $this->lying($other, $spot, $shares);
                if ($other !== $slide && $lies !== '' && ! Passing::part($other->part, $slide->part)) {
                    $words = sprintf('%s sits behind it and does not get past it.', $other->part->name);
                    $this->draft->need($op, $lies, $words);
                }
            }
            $this->draft->need($op, $behind, 'It sits behind it.');
        }

        return $ids;
    }

    /** The operation that put it on, where that was foreseen before. */
    private function lying(SlideOn $slide, Spot $spot, bool $shares): string
    {
        $isShared = $shares && $slide->part->kind->isOnePerConnector();
        $id = $isShared
            ? StepId::ofFitting($spot->fitting, StepKind::SlideOn, $slide->part->id)
            : StepId::ofLeg($spot->run, $spot->side, $spot->leg, StepKind::SlideOn, $slide->part->id.'/1');

        return $slide->over === SlideOver::Leg && $this->draft->has($id->text()) ? $id->text() : '';
    }

    /** @return list<Former> */
    private function formers(StepMade $step, SheetLeg $leg, Spot $spot): array
    {
        return $this->former->preparing(
            $spot->run,
            $spot->side,
            $spot->leg,
            $step->step->verb,
            $step->step->of->kinds,
        );
    }

    /** A look before anything is joined: what it finds is put right at once. */
    private function look(
        StepMade $step,
        MadeEnd $end,
        SheetLeg $leg,
        SheetFitting $fitting,
        StepOperation $make,
        Spot $spot,
        int $turn,
    ): string {
        $found = array_filter(
            $end->defects(),
            static fn (Defect $defect): bool => $defect->name === $step->step->catches,
        );
        $look = $make->of(
            StepId::ofLeg($spot->run, $spot->side, $spot->leg, StepKind::Make, $step->step->id),
            $step,
            $spot,
            Phase::Bare,
            $turn,
            $this->formers($step, $leg, $spot),
            joining: $fitting->terminals === [] ? null : $fitting->terminals[0]->joining,
        );

        return $this->draft->add($look->lookingFor($step->step->check, array_values($found)));
    }

    private function step(
        StepMade $step,
        SheetLeg $leg,
        SheetFitting $fitting,
        StepOperation $make,
        Spot $spot,
        LegPlaces $places,
        int $i,
    ): string {
        $cuts = CoreLengths::of($step, $leg, $fitting);
        $isOne = count($cuts) === 1;

        return $this->draft->add(
            $make->of(
                StepId::ofLeg($spot->run, $spot->side, $spot->leg, StepKind::Make, $step->step->id),
                $step,
                $spot,
                Phase::Bare,
                $places->turn($i),
                $this->formers($step, $leg, $spot),
                at: $isOne ? $cuts[0]->length : null,
                lengths: $isOne ? [] : $cuts,
                wait: $places->wait($i),
            ),
        );
    }
}
