<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gestures\FitSwitch;
use Sartal\Core\Plan\Joining\Gestures\Jump;
use Sartal\Core\Plan\Joining\Gestures\Land;
use Sartal\Core\Plan\Joining\NewFitting;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Proposing\Termination;

/** One way of a split after another: its input, the output beside it, and what leads from one to the other. */
final readonly class Splitting
{
    /**
     * @param  ContactPlan  $in  of an input
     * @param  ContactPlan  $out  of an output
     */
    public function __construct(
        private Sketch $on,
        private LayingRuns $laying,
        private PatternAnswers $answers,
        private SignalType $signal,
        private ContactPlan $in,
        private ContactPlan $out,
    ) {
    }

    /**
     * @param  int  $leg  of the tail at the panel, which lands in the input
     * @param  int  $n  number of the way
     * @return array{string, string} fittings of the input and of the output
     *
     * @throws CannotJoin
     */
    public function way(Run $tail, int $leg, int $n, bool $isLifted): array
    {
        $name = $this->answers->text('name');
        $input = $tail->a->legs[$leg]->landing->fitting ?? '';
        $this->on->putFitting($this->on->fitting($input)->named(sprintf('%s in %d', $name, $n)));
        $lift = $isLifted ? sprintf('%s lift %d', $name, $n) : '';
        $output = $this->answers->text('jumper') === ''
            ? $this->wired($tail, $input, $n, $lift)
            : $this->cabled($tail, $leg, $input, $n, $lift);
        foreach ($tail->carries as $i => $carriage) {
            $circuit = $i === $leg ? $this->on->now()->circuit($carriage->circuit) : null;
            if ($circuit !== null) {
                $this->on->putCircuit($circuit->splitAt(
                    sprintf('%s %d', $name, $n),
                    $input,
                    $this->signal->phantom ? $tail->b->legs[$leg]->landing->fitting ?? '' : '',
                ));
            }
        }

        return [$input, $output];
    }

    private function output(RunEnd $at, int $n): string
    {
        return $this->on->bring(
            new NewFitting(
                $this->out->connector,
                sprintf('%s out %d', $this->answers->text('name'), $n),
                $this->answers->text('place'),
                $this->out->inserts,
            ),
            $at,
        );
    }

    /**
     * By single wires, contact by contact.
     *
     * @return string the output's fitting
     */
    private function wired(Run $tail, string $input, int $n, string $lift): string
    {
        $output = $this->output(new RunEnd($tail->id, Side::A), $n);
        [$from, $to] = [array_values($this->in->channels)[0], array_values($this->out->channels)[0]];
        $bridges = $lifted = [];
        foreach ($this->signal->functions as $function) {
            if (! isset($from[$function->name], $to[$function->name])) {
                continue;
            }
            $pair = [
                JoiningPlace::contact($input, $from[$function->name])->text(),
                JoiningPlace::contact($output, $to[$function->name])->text(),
            ];
            if ($lift !== '' && $function->pole === SignalFunction::SCREEN) {
                $lifted[] = $pair;
            } else {
                $bridges[] = $pair;
            }
        }
        (new Jump($bridges, checked: false))->draw($this->on);
        foreach ($lifted as [$one, $other]) {
            (new FitSwitch($lift, $one, $other, checked: false))->draw($this->on);
        }

        return $output;
    }

    /**
     * By a short cable of its own, which shares the input's contacts with the tail.
     *
     * @return string the output's fitting
     */
    private function cabled(Run $tail, int $leg, string $input, int $n, string $lift): string
    {
        $run = $this->jumper($n);
        $this->on->carryAlong($run->id, $tail->carries[$leg]->circuit);
        $contacts = array_map(strval(...), array_values(array_values($this->in->channels)[0]));
        $this->on->putFitting($this->on->fitting($input)->sharing($contacts));
        [$a, $b] = [new RunEnd($run->id, Side::A), new RunEnd($run->id, Side::B)];
        $output = $this->output($b, $n);
        $elements = [$run->carries[0]->element];
        (new Land($a, $elements, $input, $this->in->id, [(string) array_key_first($this->in->channels)]))
            ->draw($this->on);
        (new Land($b, $elements, $output, $this->out->id))->draw($this->on);
        foreach ($lift === '' ? [] : $this->signal->functions as $function) {
            $address = array_values($this->out->channels)[0][$function->name] ?? null;
            if ($address !== null && $function->pole === SignalFunction::SCREEN) {
                (new FitSwitch($lift, '', JoiningPlace::contact($output, $address)->text(), checked: false))
                    ->draw($this->on);
            }
        }

        return $output;
    }

    /** @throws CannotJoin */
    private function jumper(int $n): Run
    {
        $cable = $this->answers->text('jumper');
        $this->laying->capacity($cable, $this->signal, 'jumper');
        $end = fn (Length $slack): Termination => LayingRuns::end(
            $this->answers->text('place'),
            Length::zero(),
            $slack,
            Length::zero(),
        );

        return $this->laying->run(
            $this->laying->codes(sprintf('%s J%d', $this->answers->text('code'), $n), 1)[0],
            $cable,
            [$this->signal->id],
            $end(Length::zero()),
            $end($this->answers->length('jumperSlack')),
            1,
            $this->answers->length('jumperLength'),
        );
    }
}
