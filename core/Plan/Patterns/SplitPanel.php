<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

use Sartal\Core\Given\Catalogue\Coloured;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\TailCut;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\Gestures\Boots;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Proposing\Termination;

/**
 * A direct split: each input goes on to a tail, which feeds phantom power, and to an output beside it, whose screen a
 * switch may lift. Inputs and outputs stand in rows that alternate; the bundle comes in at the hinge. Source: common
 * practice.
 */
final readonly class SplitPanel implements Pattern
{
    /** mm: of a panel of circular audio connectors, as its drawings have it. */
    private const EDGE = 30;

    private const PITCH = 26;

    private const RISE = 40;

    private const DEPTH = 60;

    public function questions(): array
    {
        return [
            new PatternQuestion('code', 'First code of the tails', AnswerKind::Text),
            new PatternQuestion('inputs', 'How many inputs', AnswerKind::Count, '24'),
            new PatternQuestion('place', 'Where the panel is', AnswerKind::Place),
            new PatternQuestion('far', 'Where the tails go', AnswerKind::Place),
            new PatternQuestion('name', 'What the panel is called', AnswerKind::Text, 'Split'),
            new PatternQuestion('signal', 'Signal', AnswerKind::Signal, 'analogue'),
            new PatternQuestion('cable', 'Cable of the tails', AnswerKind::Cable),
            new PatternQuestion('planIn', 'Connector of an input', AnswerKind::Plan),
            new PatternQuestion('planOut', 'Connector of an output', AnswerKind::Plan),
            new PatternQuestion('planFar', 'Far end of the tails', AnswerKind::Plan),
            new PatternQuestion(
                'lifts',
                'Which outputs get a ground lift',
                AnswerKind::Some,
                'none',
                '1-4, all or none',
            ),
            new PatternQuestion('columns', 'Connectors in a row', AnswerKind::Count, '8'),
            new PatternQuestion('leg', 'Legs behind the panel', AnswerKind::Length, '600 mm'),
            new PatternQuestion('legFar', 'Legs at the far end', AnswerKind::Length, '450 mm'),
            new PatternQuestion(
                'jumper',
                'Cable of the jumpers',
                AnswerKind::Cable,
                hint: 'none: single wires, cut by eye',
                needed: false,
            ),
            new PatternQuestion('jumperLength', 'Length of a jumper', AnswerKind::Length, '150 mm'),
            new PatternQuestion('jumperSlack', 'More, to trim where it lands', AnswerKind::Length, '50 mm'),
            new PatternQuestion(
                'boots',
                'Boots at the far end, so many of one colour',
                AnswerKind::Count,
                '8',
                '0: as usual',
            ),
            new PatternQuestion('hinge', 'The bundle comes in', AnswerKind::Choice, 'left', choices: [
                'left' => 'at the left, seen from behind',
                'right' => 'at the right, seen from behind',
            ]),
        ];
    }

    public function draw(Sketch $on, PatternAnswers $answers): void
    {
        $laying = new LayingRuns($on);
        $signal = $laying->signal($answers->text('signal'));
        $inputs = max(1, $answers->count('inputs'));
        $lifts = $answers->some('lifts', $inputs);
        [$in, $out, $far] = [
            $answers->plan('planIn', $on->now(), $signal),
            $answers->plan('planOut', $on->now(), $signal),
            $answers->plan('planFar', $on->now(), $signal),
        ];
        $each = $laying->capacity($answers->text('cable'), $signal, 'cable');
        $split = new Splitting($on, $laying, $answers, $signal, $in, $out);
        $n = 0;
        $places = $tails = [];
        $left = $inputs;
        $end = static fn (string $place, string $leg, ContactPlan $plan): Termination => LayingRuns::end(
            $answers->text($place),
            Length::metres(1),
            Length::zero(),
            $answers->length($leg),
            $plan->id,
        );
        foreach ($laying->codes($answers->text('code'), (int) ceil($inputs / $each)) as $code) {
            $run = $laying->run(
                $code,
                $answers->text('cable'),
                [$signal->id],
                $end('place', 'leg', $in),
                $end('far', 'legFar', $far),
                min($left, $each),
            );
            $left -= $each;
            array_push($tails, ...array_map(
                static fn (Leg $leg): string => $leg->landing->fitting ?? '',
                $run->b->legs,
            ));
            foreach ($run->a->legs as $i => $leg) {
                $n++;
                $places[$n] = $split->way($run, $i, $n, isset($lifts[$n]));
            }
        }
        $on->panel(self::panel($on, $answers, $places));
        $this->boots($on, $answers, $tails);
    }

    /**
     * One colour for each group, where the connectors have boots in colours.
     *
     * @param  list<string>  $tails  their fittings, in the order of the inputs
     */
    private function boots(Sketch $on, PatternAnswers $answers, array $tails): void
    {
        $catalogue = $on->now()->catalogue;
        $type = $catalogue->connector($on->fitting($tails[0] ?? '')->connector);
        $boot = $type === null ? null : Coloured::boot($type, $catalogue);
        $isColoured = $boot !== null && count(Coloured::like($boot, $catalogue)) > 1;
        if ($isColoured && $answers->count('boots') > 0) {
            (new Boots($tails, '', $answers->count('boots')))->draw($on);
        }
    }

    /** @param  array<int, array{string, string}>  $places  number → input and output */
    private static function panel(Sketch $on, PatternAnswers $answers, array $places): Panel
    {
        $columns = max(1, $answers->count('columns'));
        $rows = 2 * (int) ceil(count($places) / $columns);
        $at = [];
        foreach ($places as $n => $pair) {
            $row = 2 * intdiv($n - 1, $columns) + 1;
            foreach ($pair as $below => $fitting) {
                $at[($row + $below).'-'.(($n - 1) % $columns + 1)] = $fitting;
            }
        }
        $width = 2 * self::EDGE + ($columns - 1) * self::PITCH;
        $mm = static fn (int $each): Length => Length::millimetres($each);

        return new Panel(
            $on->freePanel(),
            $answers->text('name'),
            $answers->text('place'),
            $rows,
            $columns,
            $mm(self::EDGE),
            $mm(self::EDGE),
            $mm(self::PITCH),
            $mm(self::RISE),
            $mm($answers->text('hinge') === 'left' ? 0 : $width),
            $mm((int) (self::EDGE + ($rows - 1) * self::RISE / 2)),
            array_map(
                static fn (int $row): Length => $mm((int) (self::EDGE + (2 * $row + 0.5) * self::RISE)),
                range(0, max(0, intdiv($rows, 2) - 1)),
            ),
            $mm(self::DEPTH),
            Length::zero(),
            TailCut::Equal,
            null,
            $at,
        );
    }
}
