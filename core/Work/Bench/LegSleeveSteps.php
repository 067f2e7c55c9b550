<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Preparing\LegSleeving;
use Sartal\Core\Ends\Preparing\SleeveChoice;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;

/** A leg's own sleeving goes on first of all that is put on it, and its ends are held. Source: common practice. */
final readonly class LegSleeveSteps
{
    private const SLEEVE = 'sleeve';

    private const ENDS = 'sleeve-ends';

    public function __construct(private OperationDraft $draft)
    {
    }

    /**
     * @param  string  $tail  how the leg is called
     * @param  list<string>  $after  operations that all of this waits for
     * @return list<string> what is done, in order; nothing where the leg has none
     */
    public function of(?LegSleeving $sleeving, string $tail, Spot $spot, array $after, ?Skill $skill): array
    {
        if ($sleeving === null) {
            return [];
        }
        $on = $this->draft->add($this->on($sleeving, $tail, $spot, $skill));
        $this->draft->need($on, $after, 'The end is free once this is done.');
        if ($sleeving->ends === null) {
            return [$on];
        }
        $pieces = $this->draft->add($this->pieces($sleeving->ends, $spot, $skill));
        $this->draft->need($pieces, $on, 'They go over the sleeving.');
        $held = $this->draft->add($this->held($spot, $skill));
        $this->draft->need($held, $pieces, 'They are on it first.');

        return [$on, $pieces, $held];
    }

    private function on(LegSleeving $sleeving, string $tail, Spot $spot, ?Skill $skill): Operation
    {
        $cut = SleeveChoice::cut($sleeving->along, 'the leg');

        return new Operation(
            self::step($spot, StepKind::OnSheath, self::SLEEVE),
            Task::SlideOn,
            $spot->run,
            $spot->side,
            $spot->place,
            'Sleeve the leg',
            Pace::Cover,
            Phase::OnLeg,
            $spot->fitting,
            $spot->leg,
            detail: sprintf('%s over tail %s, up to where its connector begins.', $sleeving->sleeve->name, $tail),
            at: $cut->result,
            tool: 'hot knife',
            check: 'The cut ends do not fray, and the braid lies close.',
            part: $sleeving->sleeve->id,
            cautions: ['Hot blade and fumes of the braid: ventilate, keep fingers and sheaths off the edge.'],
            why: 'It comes from the free end: over a connector it would have to be cut open.',
            skill: $skill,
            like: 'slide|'.$sleeving->sleeve->id,
            sum: $cut,
        );
    }

    private function pieces(Part $ends, Spot $spot, ?Skill $skill): Operation
    {
        return new Operation(
            self::step($spot, StepKind::OnSheath, self::ENDS),
            Task::SlideOn,
            $spot->run,
            $spot->side,
            $spot->place,
            sprintf('Slide on two short pieces of %s', lcfirst($ends->name)),
            Pace::SlideOn,
            Phase::OnLeg,
            $spot->fitting,
            $spot->leg,
            detail: 'One at either end of the sleeving, half on it and half on the leg.',
            part: $ends->id,
            skill: $skill,
            like: 'slide|'.$ends->id,
            amount: (float) LegSleeving::PIECES,
        );
    }

    private function held(Spot $spot, ?Skill $skill): Operation
    {
        return new Operation(
            self::step($spot, StepKind::ShrinkTail, self::ENDS),
            Task::Shrink,
            $spot->run,
            $spot->side,
            $spot->place,
            'Shrink them down over the ends of the sleeving',
            Pace::Shrink,
            Phase::OnLeg,
            $spot->fitting,
            $spot->leg,
            tool: 'heat gun',
            check: 'No end of the braid comes out from under them.',
            cautions: Cautions::for(Task::Shrink),
            why: 'A braid that is cut opens from its ends.',
            skill: $skill,
            like: 'shrink|'.self::ENDS,
            amount: (float) LegSleeving::PIECES,
        );
    }

    private static function step(Spot $spot, StepKind $kind, string $key): StepId
    {
        return StepId::ofLeg($spot->run, $spot->side, $spot->leg, $kind, $key);
    }
}
