<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;

/** Before the first heat or crimp: everything that cannot arrive later, in the order in which it lies. */
final readonly class LegGate
{
    public function __construct(private OperationDraft $draft, private FormerSteps $former, private bool $isMains)
    {
    }

    /**
     * @param  array<int, list<string>>  $ops  that were foreseen of each step before it
     * @return string its id; "" where nothing has to lie there
     */
    public function of(MadeEnd $end, array $ops, Spot $spot, int $turn): string
    {
        $lies = $needs = [];
        foreach ($end->made->gate() as $step) {
            foreach ($end->made->steps as $i => $each) {
                if ($each === $step && isset($ops[$i])) {
                    $check = $step->step->check === '' ? '' : ': '.$step->step->check;
                    $lies[] = $this->part($ops[$i], $step).$check;
                    array_push($needs, ...$ops[$i]);
                }
            }
        }
        if ($lies === []) {
            return '';
        }
        $id = StepId::ofLeg($spot->run, $spot->side, $spot->leg, StepKind::Gate);
        $gate = $this->draft->add(
            new Operation(
                $id,
                Task::Gate,
                $spot->run,
                $spot->side,
                $spot->place,
                'See that everything lies on the cable',
                Pace::Gate,
                Phase::Bare,
                $spot->fitting,
                $spot->leg,
                like: 'gate|'.implode('|', $lies),
                why: 'What is missing now costs the whole end: from the next step on nothing comes along the cable.',
                skill: $this->isMains ? Skill::Mains : null,
                facts: array_map(fn (string $op): string => $this->draft->get($op)->part ?? '', $needs),
                turn: $turn,
                lies: $lies,
                formers: [
                    ...$this->former->preparing($spot->run, $spot->side, $spot->leg, null, Verb::Tin, []),
                    ...$this->former->at($spot->fitting, StepKind::Join),
                ],
            ),
        );
        $this->draft->need($gate, $needs, 'It is looked at as it lies there.');

        return $gate;
    }

    /** @param  list<string>  $ops */
    private function part(array $ops, StepMade $step): string
    {
        $words = $this->draft->get($ops[0] ?? '')->words ?? str_replace('-', ' ', $step->step->part);

        return (string) preg_replace('~^Slide on ~', '', $words);
    }
}
