<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Proof\Record\StepId;

/** Before the first heat or crimp: everything that cannot arrive later, in the order in which it lies. */
final readonly class LegGate
{
    public function __construct(private OperationDraft $draft, private bool $isMains)
    {
    }

    private const WHY = 'What is missing now costs the whole end: from the next step on nothing comes along the cable.';

    /**
     * @param  array<int, list<string>>  $ops  that were foreseen of each step before it
     * @param  list<Former>  $formers
     * @return string its id; "" where nothing has to lie there
     */
    public function of(
        MadeEnd $end,
        array $ops,
        Spot $spot,
        int $turn,
        Phase $phase,
        StepId $id,
        array $formers,
        string $why = self::WHY,
    ): string {
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
        $gate = $this->draft->add(
            new Operation(
                $id,
                Task::Gate,
                $spot->run,
                $spot->side,
                $spot->place,
                'See that everything lies on the cable',
                Pace::Gate,
                $phase,
                $spot->fitting,
                $spot->leg,
                like: 'gate|'.implode('|', $lies),
                why: $why,
                skill: $this->isMains ? Skill::Mains : null,
                facts: array_map(fn (string $op): string => $this->draft->get($op)->part ?? '', $needs),
                turn: $turn,
                lies: $lies,
                formers: $formers,
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
