<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench\Formerly;

use Sartal\Core\Ends\Preparing\LabelParts;
use Sartal\Core\Ends\Preparing\WireFerrules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Work\Bench\EndSheet;
use Sartal\Core\Work\Bench\EndTasks;
use Sartal\Core\Work\Bench\SheetFitting;
use Sartal\Core\Work\Bench\SheetLeg;
use Sartal\Core\Work\Bench\Spot;

/** All steps of a job as recipes had them, where there were any. */
final readonly class FormerJob
{
    private LabelParts $labels;

    private WireFerrules $wires;

    public function __construct(private Installation $installation)
    {
        $this->labels = new LabelParts($installation->catalogue, $installation->rules());
        $this->wires = new WireFerrules($installation->catalogue, $installation->rules());
    }

    /**
     * @param  array<int|string, Run>  $runs
     * @param  array<int|string, array<int|string, EndSheet>>  $sheets  by run and side
     */
    public function of(array $runs, array $sheets): FormerSteps
    {
        if ($this->installation->catalogue->former->isEmpty()) {
            return new FormerSteps([]);
        }
        $shared = $this->shared($runs);
        $steps = $legs = $labels = $fittings = $cables = [];
        foreach ($runs as $run) {
            $cables[$run->id] = $this->installation->catalogue->theCable($run->cable);
            foreach ($sheets[$run->id] ?? [] as $sheet) {
                $isParted = count($run->end($sheet->side)->legs) > 1;
                $steps[] = $isParted && $sheet->fittings !== []
                    ? [FormerStep::of(EndTasks::sheath($sheet), $sheet->side)]
                    : [];
                foreach ($sheet->fittings as $fitting) {
                    $id = $fitting->fitting->id;
                    $fittings[$id] ??= $fitting;
                    foreach ($fitting->legs as $leg) {
                        $label = $isParted ? $this->labels->ofLeg($run, $sheet->cable, $leg->leg) : null;
                        $legs[$id][] = $former = $this->leg($sheet, $fitting, $leg);
                        $labels[$id][] = $label;
                        $steps[] = $former->steps(($shared[$id] ?? 1) > 1, $label);
                    }
                }
            }
        }
        foreach ($fittings as $id => $fitting) {
            $at = new FormerFitting($fitting, $legs[$id], $cables, $labels[$id], $this->installation->catalogue);
            $steps[] = $at->steps();
        }

        return new FormerSteps(array_merge(...$steps, ...[[]]));
    }

    /**
     * @param  array<int|string, Run>  $runs
     * @return array<int|string, int> fitting → legs that go into it
     */
    private function shared(array $runs): array
    {
        $shared = [];
        foreach ($runs as $run) {
            foreach ([...$run->a->legs, ...$run->b->legs] as $leg) {
                $shared[$leg->landing->fitting ?? ''] = ($shared[$leg->landing->fitting ?? ''] ?? 0) + 1;
            }
        }

        return $shared;
    }

    private function leg(EndSheet $sheet, SheetFitting $fitting, SheetLeg $leg): FormerLeg
    {
        $recipe = $this->installation->catalogue->former->recipe(
            $leg->preparation->connector,
            $leg->preparation->prepares,
            $leg->leg->procedure,
        );

        return new FormerLeg(
            $this->installation->rules(),
            $this->wires,
            $fitting,
            $leg,
            $sheet->cable,
            new Spot($sheet->run->id, $sheet->side, $fitting->fitting->id, $leg->leg->id, ''),
            new FormerLengths($recipe, $leg, $this->protective($sheet->run)),
        );
    }

    /** @return list<string> "circuit function" of protective earth */
    private function protective(Run $run): array
    {
        $protective = [];
        foreach ($run->carries as $carriage) {
            $signal = $this->installation->circuit($carriage->circuit)->signal ?? '';
            foreach ($this->installation->catalogue->signal($signal)->functions ?? [] as $function) {
                array_push($protective, ...$function->protective ? [$carriage->circuit.' '.$function->name] : []);
            }
        }

        return $protective;
    }
}
