<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Sketch;

/** Connectors side by side, each with a run of its own: a floor box, a wall plate, the ports of a patch panel. */
final readonly class Outlets implements Pattern
{
    /** Kinds of connectors that it may hold. */
    private const KINDS = [1, 2, 3];

    public function questions(): array
    {
        $kinds = [];
        foreach (self::KINDS as $n) {
            $isFirst = $n === 1;
            array_push(
                $kinds,
                new PatternQuestion('many'.$n, 'How many of kind '.$n, AnswerKind::Count, $isFirst ? '1' : '0'),
                new PatternQuestion('signal'.$n, 'Signal '.$n, AnswerKind::Signal, needed: $isFirst),
                new PatternQuestion('cable'.$n, 'Cable '.$n, AnswerKind::Cable, needed: $isFirst),
                new PatternQuestion('plan'.$n, 'Here, kind '.$n, AnswerKind::Plan, needed: $isFirst),
                new PatternQuestion('far'.$n, 'Far end, kind '.$n, AnswerKind::Plan, needed: $isFirst),
            );
        }

        return [
            new PatternQuestion('code', 'First code', AnswerKind::Text),
            new PatternQuestion('name', 'What it is called', AnswerKind::Text, 'Box'),
            new PatternQuestion('placeA', 'Where it is', AnswerKind::Place),
            new PatternQuestion('placeB', 'Where its runs go', AnswerKind::Place),
            ...$kinds,
            new PatternQuestion('tail', 'From the ways to the connectors, each end', AnswerKind::Length, '1 m'),
        ];
    }

    public function draw(Sketch $on, PatternAnswers $answers): void
    {
        $laying = new LayingRuns($on);
        $total = array_sum(array_map(static fn (int $n): int => $answers->count('many'.$n), self::KINDS));
        $codes = $laying->codes($answers->text('code'), max(1, $total));
        $tail = $answers->length('tail');
        $last = 0;
        foreach (self::KINDS as $n) {
            for ($i = 0; $i < $answers->count('many'.$n); $i++) {
                $this->asked($answers, $n);
                $signal = $laying->signal($answers->text('signal'.$n));
                $laying->capacity($answers->text('cable'.$n), $signal, 'cable'.$n);
                $end = static fn (string $place, string $key) => LayingRuns::end(
                    $answers->text($place),
                    $tail,
                    Length::zero(),
                    Length::zero(),
                    $answers->plan($key.$n, $on->now(), $signal)->id,
                );
                $run = $laying->run(
                    array_shift($codes) ?? throw new \LogicException('Each of them has a code.'),
                    $answers->text('cable'.$n),
                    [$signal->id],
                    $end('placeA', 'plan'),
                    $end('placeB', 'far'),
                    1,
                );
                $last = Tails::named($on, $run, Side::A, $answers->text('name'), $last);
            }
        }
    }

    /** @throws CannotJoin where there are some of a kind of which nothing else is said */
    private function asked(PatternAnswers $answers, int $n): void
    {
        foreach (['signal', 'cable', 'plan', 'far'] as $key) {
            if ($answers->text($key.$n) === '') {
                throw CannotJoin::because(
                    $key.$n,
                    '',
                    sprintf('There are %d of kind %d. Say this of them too.', $answers->count('many'.$n), $n),
                );
            }
        }
    }
}
