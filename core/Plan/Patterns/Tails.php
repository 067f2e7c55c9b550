<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Proposing\Termination;

/** Multicores that part into tails: a stage box and its way to the rack, a fan-out, a breakout for a patch bay. */
final readonly class Tails implements Pattern
{
    public function questions(): array
    {
        return [
            new PatternQuestion('code', 'First code', AnswerKind::Text),
            new PatternQuestion('channels', 'Channels', AnswerKind::Count, '24'),
            new PatternQuestion('placeA', 'Where the tails are', AnswerKind::Place),
            new PatternQuestion('placeB', 'Where the other end is', AnswerKind::Place),
            new PatternQuestion('signal', 'Signal', AnswerKind::Signal),
            new PatternQuestion('cable', 'Cable', AnswerKind::Cable),
            new PatternQuestion('planA', 'Tails', AnswerKind::Plan),
            new PatternQuestion('planB', 'Other end', AnswerKind::Plan),
            new PatternQuestion('name', 'What the tails are called', AnswerKind::Text, 'Box', 'the number follows'),
            new PatternQuestion('legA', 'Length of the tails', AnswerKind::Length, '450 mm'),
            new PatternQuestion('legB', 'Legs at the other end', AnswerKind::Length, '300 mm'),
            new PatternQuestion('tail', 'From the ways to the connectors, each end', AnswerKind::Length, '1 m'),
        ];
    }

    public function draw(Sketch $on, PatternAnswers $answers): void
    {
        $laying = new LayingRuns($on);
        $signal = $laying->signal($answers->text('signal'));
        $left = max(1, $answers->count('channels'));
        $each = $laying->capacity($answers->text('cable'), $signal, 'cable');
        $n = 0;
        foreach ($laying->codes($answers->text('code'), (int) ceil($left / $each)) as $code) {
            $run = $laying->run(
                $code,
                $answers->text('cable'),
                [$signal->id],
                self::end($answers, 'A', $answers->plan('planA', $on->now(), $signal)->id),
                self::end($answers, 'B', $answers->plan('planB', $on->now(), $signal)->id),
                min($left, $each),
            );
            $left -= $each;
            $n = self::named($on, $run, Side::A, $answers->text('name'), $n);
        }
    }

    private static function end(
        PatternAnswers $answers,
        string $side,
        string $plan,
    ): Termination {
        return LayingRuns::end(
            $answers->text('place'.$side),
            $answers->length('tail'),
            Length::zero(),
            $answers->length('leg'.$side),
            $plan,
        );
    }

    /** @return int the number that the last one has */
    public static function named(Sketch $on, Run $run, Side $side, string $name, int $last): int
    {
        $ids = [];
        foreach ($run->end($side)->legs as $leg) {
            $ids[$leg->landing->fitting ?? ''] = true;
        }
        foreach (array_keys($ids) as $id) {
            $fitting = $on->now()->fitting($id);
            if ($fitting instanceof Fitting && $name !== '') {
                $on->putFitting($fitting->named($name.' '.++$last));
            }
        }

        return $last;
    }
}
