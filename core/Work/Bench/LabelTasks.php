<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Labelling\Label;
use Sartal\Core\Ends\Preparing\LabelParts;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;

/**
 * Labels: what is wrapped round goes on when the end is closed, what is a sleeve is shrunk then; a run that is pulled
 * is labelled before.
 */
final readonly class LabelTasks
{
    public function __construct(private OperationDraft $draft, private LabelParts $parts)
    {
    }

    /**
     * @param  array<int|string, EndWork>  $ends  by side
     * @param  array<int|string, string>  $closes  fitting → operation that closes it
     */
    public function of(Run $run, Label $label, CableType $cable, array $ends, array $closes): void
    {
        $end = $ends[$label->side->value] ?? null;
        $work = null;
        $after = [];
        foreach ($end->legs ?? [] as $fitting => $legs) {
            foreach ($legs as $leg) {
                if ($label->leg === '' || $leg->leg->leg->id === $label->leg) {
                    $after[] = $closes[$fitting] ?? '';
                    $work = $leg;
                }
            }
        }
        if ($label->leg !== '' && $work === null) {
            return;
        }
        $elements = $label->leg === '' || $work === null ? [''] : $work->leg->leg->elements;
        $over = count($elements) === 1 ? $cable->diameter($elements[0]) : null;
        $part = $this->parts->of($run, $over ?? $cable->outerDiameter, $cable->jacket);
        $sleeve = $label->leg === '' ? $end?->sleeve : $work?->sleeve;
        $mark = StepId::ofRun($run->id, StepKind::Mark)->text();
        $first = $run->build === Build::Site && $label->leg === '';
        $id = $this->draft->add(
            new Operation(
                StepId::ofLabel($run->id, $label->side, $label->leg),
                $part !== null && ! $part->split ? Task::Shrink : Task::Label,
                $run->id,
                $label->side,
                sprintf('%s end %s', $run->code, $label->side->value).
                    ($label->leg === '' ? '' : ', tail '.$label->code),
                self::words($label, $part),
                $part !== null && ! $part->split ? Pace::Shrink : Pace::Label,
                $first ? Phase::LabelBeforePull : Phase::Label,
                leg: $label->leg,
                detail: $label->leg === '' ? 'to '.$label->to : '',
                part: $part->id ?? '',
                like: 'label|'.($part->id ?? ''),
                cautions: $part !== null && ! $part->split ? Cautions::for(Task::Shrink) : [],
                check: 'Read it once the right way up: the code is this cable’s.',
                why: 'Every end and every tail says which it is.',
                facts: [$label->code, $label->end, $label->to],
                formers: $this->formers($run, $label, $over ?? $cable->outerDiameter, $cable, $part),
            ),
        );
        if ($first) {
            $this->draft->need($id, $mark, 'The mark says which end this is.');
            $this->draft->need(
                StepId::ofRun($run->id, StepKind::Pull)->text(),
                $id,
                'It is labelled before it is pulled: in the way, nobody can tell it apart.',
            );

            return;
        }
        $this->draft->need(
            $id,
            [...$after, $mark, $sleeve ?? ''],
            'The end is closed first, so that the label sits where it stays.',
        );
    }

    /**
     * A label that slides on was asked for at found ends once: what was recorded so stands.
     *
     * @return list<Former>
     */
    private function formers(Run $run, Label $label, Length $over, CableType $cable, ?Part $part): array
    {
        $then = $run->build === Build::Found ? $this->parts->over($over, $cable->jacket) : $part;

        return $then === $part ? [] : [
            new Former(
                [StepId::ofLabel($run->id, $label->side, $label->leg)->text()],
                OperationFacts::formerPrints(
                    $then !== null && ! $then->split ? Task::Shrink : Task::Label,
                    self::words($label, $then),
                    $label->leg === '' ? 'to '.$label->to : '',
                    null,
                    $then->id ?? '',
                    '',
                    [],
                    [],
                    [$label->code, $label->end, $label->to],
                ),
            ),
        ];
    }

    private static function words(Label $label, ?Part $part): string
    {
        return match (true) {
            $part === null => 'Label '.$label->code.' '.$label->end,
            $part->split => 'Put the label on: '.$label->code.' '.$label->end,
            default => 'Shrink the label: '.$label->code.' '.$label->end,
        };
    }
}
