<?php

declare(strict_types=1);

/* What a diagnosis, the next reading and coverage cost as connectors grow: php benchmarks/diagnosis.php */

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Diagnosing\NextReading;
use Tests\Support\Bench;

require __DIR__.'/../vendor/autoload.php';

$cases = [
    '3 contacts, one swap' => [Bench::microphone(), [['A-1.b1/2', 'A-1.b1/3']]],
    '8 contacts, one swap' => [Bench::category(), [['C-1.b1/1', 'C-1.b1/2']]],
    '90 contacts, one swap' => [Bench::stageBox(), [['M-1.b1/C7', 'M-1.b1/C8']]],
    '90 contacts, three swaps apart' => [
        Bench::stageBox(),
        [['M-1.b1/C7', 'M-1.b1/C8'], ['M-1.b1/A1', 'M-1.b1/B1'], ['M-1.b1/D1', 'M-1.b1/D9']],
    ],
];
printf("%-34s %10s\n", '', 'ms');
// The worst that can be: every core of the connector somewhere else.
mt_srand(1);
$box = Bench::stageBox();
$joints = array_values(
    array_filter(
        $box->expectation()->wiring->edges,
        static fn (Edge $edge): bool => str_starts_with($edge->id, 'j:M-1:B:'),
    ),
);
$terminals = array_map(static fn (Edge $edge): string => $edge->to, $joints);
shuffle($terminals);
$random = [];
foreach ($joints as $i => $joint) {
    $random[$joint->id] = $joint->movedTo($terminals[$i]);
}
$cases['90 contacts, loaded at random'] = [$box, new WiringEdit($random)];

foreach ($cases as $name => [$bench, $fault]) {
    $edits =
        $fault instanceof WiringEdit
            ? [$fault]
            : array_map(static fn (array $swap): WiringEdit => $bench->swap(...$swap), $fault);
    $reading = $bench->readingWith(...$edits);
    $start = hrtime(true);
    $bench->causes($reading);
    printf("%-34s %10.1f\n", $name, (hrtime(true) - $start) / 1e6);
}

// From 3 contacts to 120: one core open at one end, which two ends and the cable between them explain.
$sizes = [
    3 => [Bench::microphone(), 'A-1.b1/2'],
    8 => [Bench::category(), 'C-1.b1/3'],
    25 => [
        Bench::of(
            Bench::request('D-1', 'multicore-8', ['analogue'], ['xlr3-female-cable-balanced'], ['dsub25-male-aes59']),
        ),
        'D-1.b1/10',
    ],
    90 => [Bench::stageBox(), 'M-1.b1/C7'],
    120 => [
        Bench::of(
            Bench::request('N-1', 'multicore-32', ['analogue'], ['xlr3-female-cable-balanced'], ['rect120-male-32ch']),
        ),
        null,
    ],
];
printf(
    "\n%-10s %12s %14s %14s %12s %12s\n",
    'contacts',
    'expect, ms',
    'diagnosis, ms',
    'next, ms',
    'coverage, s',
    'faults',
);
foreach ($sizes as $contacts => [$bench, $terminal]) {
    $plan = $bench->plan();
    $planner = $bench->assemblies($plan);
    $assembly = $plan->assemblies[array_key_first($plan->assemblies)];
    $start = hrtime(true);
    $expectation = $planner->expectation($assembly);
    $expected = (hrtime(true) - $start) / 1e6;
    $joints = array_values(
        array_filter(
            $expectation->wiring->edges,
            static fn (Edge $edge): bool => preg_match('~^j:[^:]+:B:~', $edge->id) === 1,
        ),
    );
    $joint = $terminal === null ? $joints[intdiv(count($joints), 2)]->id : $bench->joint($terminal);
    $reading = $bench->readingWith(new WiringEdit([$joint => null]));
    $start = hrtime(true);
    $trouble = Diagnostician::for($planner->places($assembly), $expectation, $reading)->troubles[0];
    $diagnosed = (hrtime(true) - $start) / 1e6;
    $start = hrtime(true);
    (new NextReading($expectation, $reading, Method::cases()))->after($trouble);
    $next = (hrtime(true) - $start) / 1e6;
    $start = hrtime(true);
    $coverage = $planner->coverage($assembly, [Method::Map, Method::Shells]);
    printf(
        "%-10d %12.1f %14.1f %14.1f %12.2f %12d\n",
        $contacts,
        $expected,
        $diagnosed,
        $next,
        (hrtime(true) - $start) / 1e9,
        $coverage->faults,
    );
}
