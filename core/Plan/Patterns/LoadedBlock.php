<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gestures\Land;
use Sartal\Core\Plan\Joining\NewFitting;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/** A modular block with its inserts: each kind of signal comes by as few cables as carry it, all into one connector. */
final readonly class LoadedBlock implements Pattern
{
    private const KINDS = [1, 2, 3];

    public function questions(): array
    {
        $kinds = [];
        foreach (self::KINDS as $n) {
            array_push(
                $kinds,
                new PatternQuestion('signal'.$n, 'Signal '.$n, AnswerKind::Signal, needed: $n === 1),
                new PatternQuestion('cable'.$n, 'Its cable', AnswerKind::Cable, needed: $n === 1),
                new PatternQuestion('far'.$n, 'Its far end', AnswerKind::Plan, needed: $n === 1),
            );
        }

        return [
            new PatternQuestion('code', 'First code', AnswerKind::Text),
            new PatternQuestion('name', 'What the block is called', AnswerKind::Text, 'Block'),
            new PatternQuestion('place', 'Where the block is', AnswerKind::Place),
            new PatternQuestion('far', 'Where its cables go', AnswerKind::Place),
            new PatternQuestion('plan', 'Block and inserts', AnswerKind::Plan),
            ...$kinds,
            new PatternQuestion('tail', 'From the ways to the connectors, each end', AnswerKind::Length, '1 m'),
            new PatternQuestion('leg', 'Legs', AnswerKind::Length, '300 mm'),
        ];
    }

    public function draw(Sketch $on, PatternAnswers $answers): void
    {
        $laying = new LayingRuns($on);
        $plan = $on->now()->catalogue->theContactPlan($answers->text('plan'));
        $cables = self::cables($laying, $answers, $plan);
        $codes = $laying->codes($answers->text('code'), max(1, count($cables)));
        $block = null;
        foreach ($cables as $i => [$n, $signal, $channels]) {
            $end = static fn (string $place, string ...$plans) => LayingRuns::end(
                $answers->text($place),
                $answers->length('tail'),
                Length::zero(),
                $answers->length('leg'),
                ...$plans,
            );
            $run = $laying->run(
                $codes[$i],
                $answers->text('cable'.$n),
                [$signal->id],
                $end('far', $answers->plan('far'.$n, $on->now(), $signal)->id),
                $end('place'),
                count($channels),
            );
            $at = new RunEnd($run->id, Side::B);
            $block ??= $on->bring(
                new NewFitting($plan->connector, $answers->text('name'), $answers->text('place')),
                $at,
            );
            (new Land(
                $at,
                array_map(static fn (Carriage $each): string => $each->element, $run->carries),
                $block,
                $plan->id,
                $channels,
                length: count($run->carries) === 1 && $run->carries[0]->element === ''
                    ? Length::zero()
                    : $answers->length('leg'),
            ))->draw($on);
        }
    }

    /**
     * @return list<array{int, SignalType, non-empty-list<string>}> each with its kind, its signal and its channels
     *
     * @throws CannotJoin
     */
    private static function cables(LayingRuns $laying, PatternAnswers $answers, ContactPlan $plan): array
    {
        $cables = [];
        $free = Names::from($plan->channels);
        foreach (self::KINDS as $n) {
            if ($answers->text('signal'.$n) === '') {
                continue;
            }
            $signal = $laying->signal($answers->text('signal'.$n));
            foreach (['cable', 'far'] as $key) {
                if ($answers->text($key.$n) === '') {
                    throw CannotJoin::because($key.$n, '', sprintf('Say this of %s too.', $signal->name));
                }
            }
            $channels = array_values(array_intersect($free, $plan->channelsFor($signal)));
            if ($channels === []) {
                throw CannotJoin::because('signal'.$n, $signal->name, sprintf(
                    '%s has no channel for it that is free. Take it out, or choose another block.',
                    $plan->name,
                ));
            }
            $free = array_values(array_diff($free, $channels));
            $each = $laying->capacity($answers->text('cable'.$n), $signal, 'cable'.$n);
            foreach (array_chunk($channels, max(1, $each)) as $chunk) {
                $cables[] = [$n, $signal, $chunk];
            }
        }

        return $cables;
    }
}
