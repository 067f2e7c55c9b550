<?php

declare(strict_types=1);

/* What a bundle costs as it grows: php benchmarks/packing.php */

use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ways\Looming\Packing\Packer;

require __DIR__.'/../vendor/autoload.php';

printf("%8s %12s %14s %10s\n", 'cables', 'time, ms', 'thick, mm', 'filled, %');
foreach ([10, 20, 50, 100, 200] as $count) {
    $random = new Randomizer(new Mt19937($count));
    $diameters = array_map(static fn (): float => $random->getInt(28, 120) / 10, range(1, $count));
    $start = hrtime(true);
    $packing = Packer::pack($diameters);
    $time = (hrtime(true) - $start) / 1e6;
    $area = array_sum(array_map(static fn (float $diameter): float => $diameter ** 2, $diameters));
    printf("%8d %12.1f %14.1f %10.1f\n", $count, $time, $packing->diameter, (100 * $area) / $packing->diameter ** 2);
}
