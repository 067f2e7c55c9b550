<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Ends\Opening\EndOpener;
use Sartal\Core\Ends\Opening\OpenedEnd;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Formerly\FormerSteps;

/** What is done to an end as a whole before its legs are made, by the procedure that opens it. */
final readonly class OpeningSteps
{
    private const LIES = 'What is missing now comes on again only over the legs, and not over their connectors.';

    public function __construct(private OperationDraft $draft, private FormerSteps $former)
    {
    }

    /**
     * @param  list<string>  $after  operations on the run and on the sheath that all of this waits for
     * @return list<string> operations after which its legs can be made
     */
    public function of(EndSheet $sheet, OpenedEnd $opened, array $after): array
    {
        $end = $opened->made;
        $make = new StepOperation($sheet->cable, $end->procedure->id, $sheet->isMains());
        $words = new StepWords($sheet->cable);
        $places = LegPlaces::of($end);
        $spot = new Spot(
            $sheet->run->id,
            $sheet->side,
            '',
            '',
            sprintf('%s end %s', $sheet->run->code, $sheet->side->value),
        );
        // It was one step of a recipe: whoever did that has done all of this.
        $formers = $this->former->same(StepId::ofEnd($spot->run, $spot->side, StepKind::Sheath));
        $turns = $end->turns();
        $ops = [];
        $gate = '';
        foreach ($end->made->steps as $i => $step) {
            if ($i === $turns) {
                $gate = (new LegGate($this->draft, $sheet->isMains()))->of(
                    $end,
                    $ops,
                    $spot,
                    $places->turn($i),
                    Phase::Sheath,
                    StepId::ofEnd($spot->run, $spot->side, StepKind::Gate),
                    $formers,
                    self::LIES,
                );
            }
            if ($step->step->verb === Verb::Cool) {
                $ops[$i] = LegPlaces::after($end->needs[$i], $ops);

                continue;
            }
            $part = $opened->parts[$step->step->part] ?? null;
            $isOn = $step->step->verb === Verb::Slide && $part !== null;
            $ops[$i] = [
                $this->draft->add(
                    $isOn
                        ? $this->slide($step, $part, $make, $spot, $places->turn($i), $formers)
                        : $make->of(
                            StepId::ofEnd($spot->run, $spot->side, StepKind::Make, $step->step->id),
                            $step,
                            $spot,
                            Phase::Sheath,
                            $places->turn($i),
                            $formers,
                            lengths: self::lengths($step, $sheet),
                            wait: $places->wait($i),
                        ),
                ),
            ];
            foreach ($ops[$i] as $op) {
                $this->draft->need($op, $end->needs[$i] === [] ? $after : [], 'The end is free once this is done.');
                $this->draft->need($op, $i >= $turns ? $gate : '', 'It is looked at as it lies there.');
                foreach ($end->needs[$i] as $before) {
                    $this->draft->need($op, $ops[$before], LegPlaces::reason($end->made->steps[$before], $words));
                }
                $this->sleeved($op, $step, $spot);
            }
        }

        return array_values(array_unique(array_merge(...array_values($ops), ...[[$gate]])));
    }

    /** @return list<CutTo> of legs that are cut, each to its own length */
    private static function lengths(StepMade $step, EndSheet $sheet): array
    {
        $cuts = [];
        foreach ($step->step->measure?->from === MeasuredFrom::Leg ? $step->doing->pieces : [] as $piece) {
            $length = $step->doing->station->legs[$piece->element] ?? null;
            foreach ($sheet->run->end($sheet->side)->legs as $leg) {
                if ($length !== null && $leg->elements === [$piece->element]) {
                    $cuts[] = new CutTo($length, 'tail '.$leg->label, of: [$leg->id]);
                }
            }
        }

        return $cuts;
    }

    /** @param  list<Former>  $formers */
    private function slide(
        StepMade $step,
        SlideOn $slide,
        StepOperation $make,
        Spot $spot,
        int $turn,
        array $formers,
    ): Operation {
        return $make->of(
            StepId::ofEnd($spot->run, $spot->side, StepKind::OnSheath, $step->step->part),
            $step,
            $spot,
            Phase::Sheath,
            $turn,
            $formers,
            words: 'Slide on '.LegSlides::name($slide),
            detail: $slide->note,
            part: $slide->part->id,
            why: trim($slide->why.' '.$step->step->why),
            like: 'slide|'.$slide->part->id,
            pace: $slide->part->kind === PartKind::Sleeve ? Pace::Cover : Pace::SlideOn,
        );
    }

    /** At the other end it is brought to its place once it has come over the first. */
    private function sleeved(string $op, StepMade $step, Spot $spot): void
    {
        $on = StepId::ofEnd($spot->run, Side::A, StepKind::OnSheath, EndOpener::SLEEVING)->text();
        if ($step->step->part === EndOpener::SLEEVING && $spot->side === Side::B && $this->draft->has($on)) {
            $this->draft->need($op, $on, 'The sleeving comes over end A.');
        }
    }
}
