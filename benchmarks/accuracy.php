<?php

declare(strict_types=1);

/*
 * How often cutting finds what is known: reels cut up at random, put together again. Makes the table of
 * docs/accuracy.md: php benchmarks/accuracy.php [INSTANCES]
 */

use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Work\Cutting\Packing\BestAllotment;
use Sartal\Core\Work\Cutting\Packing\Stocked;

require __DIR__.'/../vendor/autoload.php';

$instances = (int) ($argv[1] ?? 12);
$grids = [1, 10, 50];
/** @return list<int> pieces of so many reels, longest first */
$cutUp = static function (Randomizer $random, int $reels, int $capacity, ?int $each): array {
    $pieces = [];
    for ($reel = 0; $reel < $reels; $reel++) {
        $at = [0, $capacity];
        for ($cut = ($each ?? $random->getInt(4, 12)) - 1; $cut > 0; $cut--) {
            $at[] = $random->getInt(1, $capacity - 1);
        }
        sort($at);
        for ($i = 1; $i < count($at); $i++) {
            $pieces[] = $at[$i] - $at[$i - 1];
        }
    }
    $pieces = array_values(array_filter($pieces));
    rsort($pieces);

    return $pieces;
};
printf("| pieces of a reel | %s | longest |\n", implode(' | ', array_map(
    static fn (int $grid): string => $grid.' mm',
    $grids,
)));
echo '| --- |'.str_repeat(' --- |', count($grids) + 1)."\n";
[$reached, $all] = [0, 0];
foreach ([null, ...range(4, 12)] as $each) {
    [$cells, $longest] = [[], 0.0];
    foreach ($grids as $grid) {
        $random = new Randomizer(new Mt19937($grid * 100 + ($each ?? 0)));
        $found = 0;
        for ($n = 0; $n < $instances; $n++) {
            $reels = $random->getInt(5, 50);
            $capacity = intdiv(305_000, $grid);
            $pieces = $cutUp($random, $reels, $capacity, $each);
            $began = hrtime(true);
            $best = BestAllotment::of(new Stocked($pieces, [], [], [$capacity], intdiv($capacity, 100)));
            $longest = max($longest, (hrtime(true) - $began) / 1e9);
            $found += count($best->allotment->bought) === $reels ? 1 : 0;
        }
        $cells[] = $found.' of '.$instances;
        $reached += $found;
        $all += $instances;
    }
    printf("| %s | %s | %.1f s |\n", $each ?? '4 to 12, drawn for each', implode(' | ', $cells), $longest);
}
printf("\n%d of %d.\n", $reached, $all);
