<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\Sketch;

/** From one device to the next, and a terminator at the last. One circuit goes through all of it. */
final readonly class DaisyChain implements Pattern
{
    public function questions(): array
    {
        return [
            new PatternQuestion('code', 'First code', AnswerKind::Text),
            new PatternQuestion('name', 'What the line is called', AnswerKind::Text),
            new PatternQuestion('places', 'Places, in the order of the line', AnswerKind::Places),
            new PatternQuestion('signal', 'Signal', AnswerKind::Signal),
            new PatternQuestion('cable', 'Cable', AnswerKind::Cable),
            new PatternQuestion('planA', 'Where the line comes from', AnswerKind::Plan),
            new PatternQuestion('planB', 'Where the line goes in', AnswerKind::Plan),
            new PatternQuestion('tail', 'From the ways to the connectors, each end', AnswerKind::Length, '1 m'),
        ];
    }

    public function draw(Sketch $on, PatternAnswers $answers): void
    {
        $laying = new LayingRuns($on);
        $signal = $laying->signal($answers->text('signal'));
        $places = $answers->places('places');
        [$a, $b] = [$answers->plan('planA', $on->now(), $signal), $answers->plan('planB', $on->now(), $signal)];
        $laying->capacity($answers->text('cable'), $signal, 'cable');
        $line = '';
        foreach ($laying->codes($answers->text('code'), count($places) - 1) as $i => $code) {
            $end = static fn (string $place, string $plan) => LayingRuns::end(
                $place,
                $answers->length('tail'),
                Length::zero(),
                Length::zero(),
                $plan,
            );
            $run = $laying->run(
                $code,
                $answers->text('cable'),
                [$signal->id],
                $end($places[$i], $a->id),
                $end($places[$i + 1], $b->id),
                1,
            );
            $line = $line === '' ? $run->carries[0]->circuit : $line;
            $on->carryAlong($run->id, $line);
            $circuit = $on->now()->theCircuit($line);
            $last = $run->end(Side::B)->legs[0]->landing->fitting ?? '';
            $on->putCircuit($circuit->inLine(
                $answers->text('name'),
                $circuit->from !== '' ? $circuit->from : ($run->a->legs[0]->landing->fitting ?? ''),
                $last,
            ));
        }
    }
}
