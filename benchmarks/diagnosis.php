<?php

declare(strict_types=1);

/* What a diagnosis costs as connectors grow: php benchmarks/diagnosis.php */

use Sartal\Core\Wiring\Edge;
use Sartal\Core\Wiring\Edit;
use Tests\Support\Bench;

require __DIR__.'/../vendor/autoload.php';

$cases = [
    '3 contacts, one swap' => [Bench::microphone(), [['A-1.b1/2', 'A-1.b1/3']]],
    '8 contacts, one swap' => [Bench::category(), [['C-1.b1/1', 'C-1.b1/2']]],
    '90 contacts, one swap' => [Bench::stageBox(), [['M-1.b1/C7', 'M-1.b1/C8']]],
    '90 contacts, three swaps apart' => [Bench::stageBox(), [['M-1.b1/C7', 'M-1.b1/C8'], ['M-1.b1/A1', 'M-1.b1/B1'], ['M-1.b1/D1', 'M-1.b1/D9']]],
];
printf("%-34s %10s\n", '', 'ms');
// The worst that can be: every core of the connector somewhere else.
mt_srand(1);
$box = Bench::stageBox();
$joints = array_values(array_filter($box->expectation()->wiring->edges, static fn (Edge $edge): bool => str_starts_with($edge->id, 'j:M-1:B:')));
$terminals = array_map(static fn (Edge $edge): string => $edge->to, $joints);
shuffle($terminals);
$random = [];
foreach ($joints as $i => $joint) {
    $random[$joint->id] = $joint->movedTo($terminals[$i]);
}
$cases['90 contacts, loaded at random'] = [$box, new Edit($random)];

foreach ($cases as $name => [$bench, $fault]) {
    $edits = $fault instanceof Edit ? [$fault] : array_map(static fn (array $swap): Edit => $bench->swap(...$swap), $fault);
    $reading = $bench->readingWith(...$edits);
    $start = hrtime(true);
    $bench->causes($reading);
    printf("%-34s %10.1f\n", $name, (hrtime(true) - $start) / 1e6);
}
