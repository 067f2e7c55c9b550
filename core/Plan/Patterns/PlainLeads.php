<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\Sketch;

/** Loose leads, alike: a plug at either end, the same or another, where an adapter is wanted. */
final readonly class PlainLeads implements Pattern
{
    public function questions(): array
    {
        return [
            new PatternQuestion('code', 'First code', AnswerKind::Text),
            new PatternQuestion('many', 'How many', AnswerKind::Count, '12'),
            new PatternQuestion('length', 'Length, from connector to connector', AnswerKind::Length),
            new PatternQuestion('place', 'Where they belong', AnswerKind::Place),
            new PatternQuestion('signal', 'Signal', AnswerKind::Signal),
            new PatternQuestion('cable', 'Cable', AnswerKind::Cable),
            new PatternQuestion('planA', 'One end', AnswerKind::Plan),
            new PatternQuestion('planB', 'Other end', AnswerKind::Plan),
        ];
    }

    public function draw(Sketch $on, PatternAnswers $answers): void
    {
        $laying = new LayingRuns($on);
        $signal = $laying->signal($answers->text('signal'));
        $ends = [];
        foreach (['planA', 'planB'] as $key) {
            $ends[] = LayingRuns::end(
                $answers->text('place'),
                Length::zero(),
                Length::zero(),
                Length::zero(),
                $answers->plan($key, $on->now(), $signal)->id,
            );
        }
        $laying->capacity($answers->text('cable'), $signal, 'cable');
        foreach ($laying->codes($answers->text('code'), max(1, $answers->count('many'))) as $code) {
            $laying->run(
                $code,
                $answers->text('cable'),
                [$signal->id],
                $ends[0],
                $ends[1],
                lead: $answers->length('length'),
            );
        }
    }
}
