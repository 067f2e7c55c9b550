<?php

declare(strict_types=1);

/*
 * What the bench costs as jobs and installations grow: php benchmarks/bench.php
 * Operations and their order, where a job stands, labels, the forecast.
 */

use App\Planning\ShippedCatalogue;
use Sartal\Core\Ends\Labelling\LabelPrints;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Bench\Traveller;
use Sartal\Core\Work\Forecasting\Chore;
use Sartal\Core\Work\Forecasting\Forecaster;
use Sartal\Core\Work\Forecasting\Hand;
use Tests\Support\Bench;

require __DIR__.'/../vendor/autoload.php';

ShippedCatalogue::load();

/** @param  callable(): mixed  $work */
function ms(callable $work, int $times = 3): float
{
    $best = INF;
    for ($i = 0; $i < $times; $i++) {
        $from = hrtime(true);
        $work();
        $best = min($best, (hrtime(true) - $from) / 1e6);
    }

    return $best;
}

/** @return array{Bench, Plan} */
function made(
    int $count,
    string $cable = 'pair-foil',
    string $a = 'xlr3-female-cable-balanced',
    string $b = 'xlr3-male-cable-balanced',
): array {
    $bench = Bench::of(
        ...array_map(
            static fn (int $n) => Bench::request('R-'.$n, $cable, ['analogue'], [$a], [$b]),
            range(1, $count),
        ),
    );

    return [$bench, $bench->plan()];
}

/** @return list<\Sartal\Core\Work\Bench\Operation> */
function operations(Bench $bench, Plan $plan): array
{
    $planner = new OperationPlanner($bench->installation);

    return array_merge(
        ...array_map(
            static fn ($assembly): array => $planner->of($assembly, $plan->runs),
            array_values($plan->assemblies),
        ),
    );
}

echo "Operations and their order\n";
foreach (
    [
        ['one 3-pole cable', made(1)],
        ['one 24-pair multicore', made(1, 'multicore-24', 'xlr3-female-cable-balanced', 'rect90-male-24ch')],
        ['10 multicores as a batch', made(10, 'multicore-24', 'xlr3-female-cable-balanced', 'rect90-male-24ch')],
        ['100 cables as a batch', made(100)],
    ] as [$name, [$bench, $plan]]
) {
    $found = operations($bench, $plan);
    printf(
        "  %-28s %6d operations   found %7.1f ms   ordered %7.1f ms\n",
        $name,
        count($found),
        ms(static fn () => operations($bench, $plan)),
        ms(static fn () => Traveller::order($found, $bench->installation->rules())),
    );
}

echo "Where a job stands: a 24-pair multicore with everything recorded so many times over\n";
[$bench, $plan] = made(1, 'multicore-24', 'xlr3-female-cable-balanced', 'rect90-male-24ch');
$traveller = Traveller::order(operations($bench, $plan), $bench->installation->rules());
foreach ([1, 2, 4, 8] as $times) {
    $events = [];
    for ($i = 0; $i < $times; $i++) {
        foreach ($traveller->operations as $operation) {
            $events[] = new Event(
                sprintf('%d-%d', $i, count($events)),
                $operation->task->event(),
                'R-1',
                $operation->side,
                'x',
                '2026-03-09T08:00:00Z',
                '2026-03-09T08:00:00Z',
                OperationFacts::fingerprint($operation),
                step: $operation->id,
                took: 20.0,
            );
        }
    }
    printf(
        "  %6d events %8.1f ms\n",
        count($events),
        ms(static fn () => (new Progress($traveller->operations, $events))->milestones()),
    );
}

echo "Labels of an installation\n";
foreach ([100, 500, 2000] as $count) {
    [$bench, $plan] = made($count);
    $texts = $plan->runs->map(static fn (RunPlan $run): array => $run->labels);
    printf(
        "  %6d runs %8.1f ms\n",
        $count,
        ms(static fn () => (new LabelPrints($bench->installation))->of($texts, $plan->rotations())),
    );
}

echo "Forecast over 6 people, 4 benches, one die\n";
$hands = array_map(
    static fn (int $n): Hand => new Hand(
        'h'.$n,
        $n % 2 ? [Skill::Solder, Skill::Crimp] : [Skill::Category, Skill::Crimp],
    ),
    range(1, 6),
);
foreach ([8, 50, 200, 800, 2000] as $count) {
    mt_srand($count);
    $chores = [];
    for ($i = 0; $i < $count; $i++) {
        $chores[] = new Chore(
            'c'.$i,
            mt_rand(3, 40),
            [null, Skill::Solder, Skill::Crimp, Skill::Category][mt_rand(0, 3)],
            mt_rand(0, 9) === 0 ? ['die'] : [],
            $i % 8 === 0 ? [] : ['c'.($i - 1)],
        );
    }
    $forecaster = new Forecaster($hands, ['die' => 1], 4);
    $forecast = $forecaster->forecast($chores);
    printf(
        "  %6d chores %9.1f ms   %.1f %% over what no order can beat\n",
        $count,
        ms(static fn () => $forecaster->forecast($chores), 1),
        100 * ($forecast->minutes / ($forecast->bottleneck()->minutes ?? 1) - 1),
    );
}
