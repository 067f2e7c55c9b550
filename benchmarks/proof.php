<?php

declare(strict_types=1);

/*
 * Which ends that nothing is found against today are made right by a procedure, in simulation:
 * php benchmarks/proof.php [PROCEDURE]. With a procedure's id, what each of its ends lacks.
 */

use App\Planning\ShippedCatalogue;
use Sartal\Core\Ends\Making\Made;
use Tests\Support\EndsOfTheCatalogue;

require __DIR__.'/../vendor/autoload.php';

ini_set('memory_limit', '2G');
$only = $argv[1] ?? '';
$began = hrtime(true);
$ends = new EndsOfTheCatalogue(ShippedCatalogue::load());
$tried = $right = $lacks = [];
$others = $took = 0;
foreach ($ends->all() as $end) {
    if ($end->procedure === null) {
        $others++;

        continue;
    }
    $start = hrtime(true);
    $made = Made::by($end->procedure, $end->workpiece, $end->station);
    $took += hrtime(true) - $start;
    $id = $end->procedure->id;
    $tried[$id] = ($tried[$id] ?? 0) + 1;
    $right[$id] = ($right[$id] ?? 0) + ($made->isRight() ? 1 : 0);
    if ($id === $only && ! $made->isRight()) {
        $first = $made->failed()[0]->lacks[0] ?? ($made->unmet[0] ?? '');
        $lacks[$first][] = $end->name;
    }
}
printf("%-26s %6s %6s\n", 'procedure', 'ends', 'right');
foreach ($tried as $id => $count) {
    printf("%-26s %6d %6d\n", $id, $count, $right[$id]);
}
printf("%-26s %6d\n", 'none yet', $others);
printf(
    "%.1f s, of which %.2f ms to make each\n",
    (hrtime(true) - $began) / 1e9,
    $took / 1e6 / max(1, array_sum($tried)),
);
foreach ($lacks as $what => $where) {
    printf("\n%d × %s\n   %s\n", count($where), $what, implode(', ', array_slice($where, 0, 6)));
}
