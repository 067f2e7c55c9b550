<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Plan\Runs\RunPlans;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Task;

/** How long an assembly takes at the bench: the operations of its traveller, by standard times. */
final readonly class Labour
{
    private OperationPlanner $operations;

    public function __construct(private Installation $installation)
    {
        $this->operations = new OperationPlanner($installation, remembers: false);
    }

    public function of(Assembly $assembly, RunPlans $plans): Figure
    {
        $total = 0.0;
        $minutes = $counts = [];
        foreach ($this->operations->of($assembly, $plans) as $operation) {
            $group = $this->group($operation);
            $taken = $operation->pace->minutes() * $operation->amount;
            $minutes[$group] = ($minutes[$group] ?? 0.0) + $taken;
            $counts[$group] = ($counts[$group] ?? 0) + 1;
            $total += $taken;
        }
        $terms = [];
        foreach ($minutes as $group => $taken) {
            $terms[] = new FigureTerm(
                (string) $group,
                sprintf('%d operations', $counts[$group]),
                Figure::amount($taken, 'min'),
                'common practice',
            );
        }

        return new Figure($total, 'min', $terms, 0);
    }

    private function group(Operation $operation): string
    {
        $code = $this->installation->run($operation->run)->code ?? $operation->run;

        return match (true) {
            $operation->task === Task::Test => 'tested as one piece',
            $operation->side === null => $code.' cut and marked',
            $operation->task === Task::Join => sprintf('%s end %s joined', $code, $operation->side->value),
            $operation->task === Task::Label => sprintf('%s end %s labelled', $code, $operation->side->value),
            $operation->task->isPreparation() => sprintf('%s end %s prepared', $code, $operation->side->value),
            default => sprintf('%s end %s looked over and closed', $code, $operation->side->value),
        };
    }
}
