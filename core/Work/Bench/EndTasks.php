<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Preparing\LabelParts;
use Sartal\Core\Ends\Preparing\Passing;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Ends\Preparing\WireFerrules;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\LengthPractice;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Formerly\FormerSteps;

/** What is done to one end of a run before its connectors: what goes on the sheath, then leg by leg. */
final readonly class EndTasks
{
    private LegSteps $made;

    private OpeningSteps $opening;

    public function __construct(
        private OperationDraft $draft,
        private HouseRules $rules,
        WireFerrules $wires,
        private LabelParts $labels,
        FormerSteps $former,
    ) {
        $this->made = new LegSteps($draft, $wires, $former);
        $this->opening = new OpeningSteps($draft, $former);
    }

    /**
     * @param  array<int|string, int>  $shared  fitting → legs that go into it
     * @param  string  $after  operation on the run that the end waits for
     */
    public function of(EndSheet $sheet, array $shared, string $after): EndWork
    {
        $several = count($sheet->run->end($sheet->side)->legs) > 1;
        if ($sheet->follows(LengthPractice::CutLong) && $sheet->fittings !== []) {
            $after = $this->trim($sheet, $after);
        }
        [$on, $sleeve] = $this->onSheath($sheet, $after);
        $waits = [$after, ...$on];
        if ($several && $sheet->fittings !== []) {
            $waits = $sheet->opened === null
                ? [...$waits, $this->off($sheet, $after)]
                : [...$waits, ...$this->opening->of($sheet, $sheet->opened, $waits)];
        }
        $legs = [];
        foreach ($sheet->fittings as $fitting) {
            foreach ($fitting->legs as $leg) {
                $legs[$fitting->fitting->id][] = $this->made->of(
                    $sheet->run,
                    $sheet->side,
                    $fitting,
                    $leg,
                    $leg->done,
                    $sheet->cable,
                    ($shared[$fitting->fitting->id] ?? 1) > 1,
                    $several ? $this->labels->ofLeg($sheet->run, $sheet->cable, $leg->leg) : null,
                    $waits,
                );
            }
        }

        return new EndWork($sheet, $legs, $sleeve);
    }

    /**
     * The end's own label where that is a sleeve, then what holds the tails together.
     *
     * @return array{list<string>, ?string}
     */
    private function onSheath(EndSheet $sheet, string $after): array
    {
        $label = $this->labels->of($sheet->run, $sheet->cable->outerDiameter, $sheet->cable->jacket);
        /** @var array<int|string, SlideOn> $items */
        $items = [];
        if ($label !== null && ! $label->split && ! $this->clears($label, $sheet)) {
            $items['label'] = new SlideOn(
                $label,
                true,
                'the label, printed',
                1,
                'A label that is a sleeve goes on from the free end.',
            );
        }
        if ($sheet->breakout !== null) {
            $items['breakout'] = $sheet->breakout;
        }
        /** @var array<int|string, string> $ids */
        $ids = [];
        $behind = null;
        foreach ($items as $key => $slide) {
            $ids[$key] = $this->draft->add(
                new Operation(
                    StepId::ofEnd($sheet->run->id, $sheet->side, StepKind::OnSheath, (string) $key),
                    Task::SlideOn,
                    $sheet->run->id,
                    $sheet->side,
                    sprintf('%s end %s', $sheet->run->code, $sheet->side->value),
                    'Slide on '.LegSlides::name($slide),
                    Pace::SlideOn,
                    Phase::OnSheath,
                    detail: $slide->note,
                    part: $slide->part->id,
                    why: $slide->why,
                    like: 'slide|'.$slide->part->id,
                    skill: $sheet->isMains() ? Skill::Mains : null,
                ),
            );
            $this->draft->need($ids[$key], $after, 'It goes on from this end.');
            if ($behind !== null && ! Passing::part($items[$behind]->part, $slide->part)) {
                $this->draft->need(
                    $ids[$key],
                    $ids[$behind],
                    sprintf('%s sits behind it and does not get past it.', $items[$behind]->part->name),
                );
            }
            $behind = $key;
        }

        return [array_values($ids), $ids['label'] ?? null];
    }

    /** Where ends are cut long, each is held to its connector and trimmed there. */
    private function trim(EndSheet $sheet, string $after): string
    {
        $trim = $this->draft->add(
            new Operation(
                StepId::ofEnd($sheet->run->id, $sheet->side, StepKind::Trim),
                Task::Strip,
                $sheet->run->id,
                $sheet->side,
                sprintf('%s end %s', $sheet->run->code, $sheet->side->value),
                'Hold it to its connector and trim it square',
                Pace::Strip,
                Phase::Trim,
                at: $this->rules->trimAllowance->isZero() ? null : $this->rules->trimAllowance,
                detail: 'At most by what it was cut longer.',
                tool: 'cable cutter',
                cautions: Cautions::for(Task::Strip),
                like: 'trim',
                skill: $sheet->isMains() ? Skill::Mains : null,
                why: 'The house cuts long and trims at the connector.',
            ),
        );
        $this->draft->need($trim, $after, 'The end is free once this is done.');

        return $trim;
    }

    /** Every connector of the end goes through it. */
    private function clears(Part $part, EndSheet $sheet): bool
    {
        foreach ($sheet->fittings as $fitting) {
            if (! Passing::connector($part, $fitting->type)) {
                return false;
            }
        }

        return $sheet->fittings !== [];
    }

    /** Where nothing says how it is opened. */
    private function off(EndSheet $sheet, string $after): string
    {
        $strip = $this->draft->add(self::sheath($sheet));
        $this->draft->need($strip, $after, 'The end is free once this is done.');

        return $strip;
    }

    public static function sheath(EndSheet $sheet): Operation
    {
        $longest = Length::zero();
        $lengths = [];
        foreach ($sheet->fittings as $fitting) {
            foreach ($fitting->legs as $leg) {
                $length = $leg->tail->result ?? $leg->leg->length;
                $lengths[$length->canonical()] = [
                    $length,
                    [...$lengths[$length->canonical()][1] ?? [], $leg->leg->label],
                    [...$lengths[$length->canonical()][2] ?? [], $leg->leg->id],
                ];
                $longest = $length->compare($longest) > 0 ? $length : $longest;
            }
        }
        $cuts = [];
        foreach (count($lengths) > 1 ? $lengths : [] as [$length, $labels, $ids]) {
            $cuts[] = new CutTo(
                $length,
                count($labels) > 3
                    ? sprintf('tails %s to %s', $labels[0], $labels[count($labels) - 1])
                    : 'tail '.implode(', ', $labels),
                of: $ids,
            );
        }

        return new Operation(
            StepId::ofEnd($sheet->run->id, $sheet->side, StepKind::Sheath),
            Task::Strip,
            $sheet->run->id,
            $sheet->side,
            sprintf('%s end %s', $sheet->run->code, $sheet->side->value),
            sprintf('Take the outer sheath off, lay out %d tails', count($sheet->run->end($sheet->side)->legs)),
            Pace::StripSheath,
            Phase::Sheath,
            detail: $cuts === [] ? 'All of one length.' : '',
            lengths: $cuts,
            at: $longest->isZero() ? null : $longest,
            tool: 'rotary stripper',
            check: 'No tail is nicked where the sheath ends.',
            cautions: Cautions::for(Task::Strip),
            like: 'sheath',
            skill: $sheet->isMains() ? Skill::Mains : null,
            why: 'The longest tail reaches back to where the sheath ends.',
        );
    }
}
