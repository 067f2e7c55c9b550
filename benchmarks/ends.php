<?php

declare(strict_types=1);

/*
 * What ends cost that are made in simulation, beside their sheets: php benchmarks/ends.php FILE. Of every run of an
 * installation file, the first leg of both ends; "kept" is the second time of ends that are alike.
 */

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Making\Stations;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Bench\EndSheets;

require __DIR__.'/../vendor/autoload.php';

ini_set('memory_limit', '2G');
$argv ??= [];
$in = InstallationFile::parse((string) file_get_contents($argv[1] ?? 'php://stdin'))->installation;
$plan = (new Planner())->plan($in, new Record());
$sheets = new EndSheets($in);
$kept = [];
$took = ['sheets' => [], 'cold' => [], 'kept' => []];
foreach ($in->runs() as $run) {
    $of = $plan->runs->get($run->id);
    foreach (Side::cases() as $side) {
        $began = hrtime(true);
        $sheet = $sheets->of($run, $side, $of);
        $sheetTook = hrtime(true) - $began;
        $fitting = $sheet->fittings[0] ?? null;
        $leg = $fitting?->legs[0];
        $fit = $sheet === null || $leg === null
            ? null
            : LegFit::of($leg->leg, $sheet->cable, $of->end($side)->joints, $in);
        $found = $fit === null
            ? null
            : $in->catalogue->procedureFor($fit->connector, $fit->prepares(), (string) $leg?->leg->procedure);
        if ($fit === null || $leg === null || $fitting === null || $found === null) {
            continue;
        }
        $joints = array_values(array_filter(
            $of->end($side)->joints,
            static fn ($joint): bool => $joint->leg === $leg->leg->id,
        ));
        $began = hrtime(true);
        $stations = new Stations($fit, $joints, $leg->preparation, $in->rules(), $fitting->blocks);
        $made = Made::by($found, $stations->workpiece(), $stations->for($found));
        $cold = hrtime(true) - $began;
        $kept[$stations->signature($found)] ??= $made;
        $began = hrtime(true);
        $made = $kept[$stations->signature($found)];
        $took['sheets'][] = $sheetTook;
        $took['cold'][] = $cold;
        $took['kept'][] = hrtime(true) - $began;
    }
}
printf("%d ends, %d kinds\n", count($took['cold']), count($kept));
foreach ($took as $what => $times) {
    sort($times);
    $count = max(1, count($times));
    printf(
        "%-8s %8.3f ms in the middle, %8.3f ms at most, %8.0f ms in all\n",
        $what,
        ($times[intdiv($count, 2)] ?? 0) / 1e6,
        ($times[$count - 1] ?? 0) / 1e6,
        array_sum($times) / 1e6,
    );
}
