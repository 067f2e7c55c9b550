<?php

declare(strict_types=1);

namespace Sartal\Core\Parts;

use Sartal\Core\Bench\EndSheets;
use Sartal\Core\Installation\Installation;
use Sartal\Core\Installation\Run;
use Sartal\Core\Installation\Side;
use Sartal\Core\Measure\Figure;
use Sartal\Core\Measure\FigureTerm;
use Sartal\Core\Planning\RunPlan;
use Sartal\Core\Wiring\Assembly;

/** How long an assembly takes at the bench. */
final readonly class Labour
{
    private EndSheets $sheets;

    public function __construct(private Installation $installation)
    {
        $this->sheets = new EndSheets($installation);
    }

    /** @param  array<string, RunPlan>  $plans  by run */
    public function of(Assembly $assembly, array $plans): Figure
    {
        $minutes = 0.0;
        $terms = [];
        $add = static function (string $what, string $detail, float $amount) use (&$minutes, &$terms): void {
            $minutes += $amount;
            $terms[] = new FigureTerm($what, $detail, Figure::amount($amount, 'min'), 'common practice');
        };
        foreach ($assembly->runs as $id) {
            $run = $this->installation->runs[$id];
            $plan = $plans[$id];
            if ($run->withdrawn) {
                continue;
            }
            $metres = $plan->cut->result->inMetres();
            $add($run->code.' cut', sprintf('%s and %s for each metre', BenchTimes::CUT, BenchTimes::CUT_PER_METRE), BenchTimes::CUT + $metres * BenchTimes::CUT_PER_METRE);
            foreach (Side::cases() as $side) {
                $legs = count($run->end($side)->legs);
                $add(sprintf('%s end %s prepared', $run->code, $side->value), sprintf('%d legs', $legs), BenchTimes::END + $legs * BenchTimes::LEG);
                [$joints, $count] = $this->joints($run, $side, $plan);
                $add(sprintf('%s end %s joined', $run->code, $side->value), sprintf('%d joints', $count), $joints);
            }
            $add($run->code.' labelled and looked over', sprintf('%d labels', count($plan->labels)), count($plan->labels) * BenchTimes::LABEL + BenchTimes::LOOK);
        }
        $add('tested', 'as one piece', BenchTimes::TEST);

        return new Figure($minutes, 'min', $terms, 0);
    }

    /** @return array{float, int} minutes, joints */
    private function joints(Run $run, Side $side, RunPlan $plan): array
    {
        $layouts = [];
        foreach ($this->sheets->of($run, $side, $plan)->fittings ?? [] as $fitting) {
            foreach ($fitting->legs as $leg) {
                $layouts[$leg->leg->id] = $fitting->layout;
            }
        }
        $minutes = 0.0;
        $joints = $plan->end($side)->joints;
        foreach ($joints as $joint) {
            $terminal = ($layouts[$joint->leg] ?? null)?->terminal($joint->address());
            $minutes += $terminal === null ? 0.0 : BenchTimes::joint($terminal->joining);
        }

        return [$minutes, count($joints)];
    }
}
