<?php

declare(strict_types=1);

/*
 * What planning costs with ways and looms: php benchmarks/building.php
 * A building of as many junctions as it has tens of runs, in a grid whose
 * shortest ways are found; every run lies in a loom of about 25.
 */

use App\Planning\ShippedCatalogue;
use App\Planning\Uncollected;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Junction;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Ways\Looming\Packing\MemoryPackings;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\Cuts;
use Sartal\Core\Work\Parts\PartsPlanner;

require __DIR__.'/../vendor/autoload.php';

const KINDS = [
    ['pair-foil', 'analogue', 'xlr3-female-cable-balanced', 'xlr3-male-cable-balanced'],
    ['cat6a-futp', 'network', '8p8c-jack-screened-t568b', '8p8c-jack-screened-t568b'],
    ['coax-75-12g', 'video', 'bnc75-plug-video', 'bnc75-plug-video'],
];

function building(int $count): Installation
{
    $random = new Randomizer(new Mt19937($count));
    $side = (int) ceil(sqrt($count / 10));
    $locations = $junctions = $ways = $looms = $runs = $fittings = $circuits = [];
    $way = static function (string $id, string $from, string $to, float $metres) use (&$ways): void {
        $ways[$id] = new Way(
            $id,
            $id,
            WayKind::Tray,
            Length::metres($metres),
            $from,
            $to,
            Bore::rectangular(Length::millimetres(600), Length::millimetres(100)),
        );
    };
    for ($x = 0; $x < $side; $x++) {
        for ($y = 0; $y < $side; $y++) {
            $here = 'j-'.$x.'-'.$y;
            $junctions[$here] = new Junction($here, $here);
            $locations['l-'.$x.'-'.$y] = new Location('l-'.$x.'-'.$y, 'Room '.$x.'/'.$y);
            $way('drop-'.$x.'-'.$y, $here, 'l-'.$x.'-'.$y, 2);
            if ($x > 0) {
                $way('w-'.$x.'-'.$y, 'j-'.($x - 1).'-'.$y, $here, $random->getInt(4, 12));
            }
            if ($y > 0) {
                $way('s-'.$x.'-'.$y, 'j-'.$x.'-'.($y - 1), $here, $random->getInt(4, 12));
            }
        }
    }
    $proposer = new Proposer(ShippedCatalogue::load());
    $places = array_map(strval(...), array_keys($locations));
    for ($i = 1; $i <= $count; $i++) {
        [$cable, $signal, $a, $b] = KINDS[$i % 3];
        $loom = 'L-'.intdiv($i, 25);
        $looms[$loom] ??= Loom::named($loom, $loom);
        $end = static fn (string $at, string $plan): Termination => new Termination(
            $at,
            [$plan],
            Length::metres(1),
            Length::zero(),
            Length::millimetres(40),
            1,
            Length::zero(),
        );
        $proposal = $proposer->propose(
            new RunRequest(
                'R-'.$i,
                'R-'.$i,
                $cable,
                [$signal],
                Build::Shop,
                $end($places[intdiv($i, 25) % count($places)], $a),
                $end($places[$random->getInt(0, count($places) - 1)], $b),
                [],
                $loom,
            ),
        );
        $runs[$proposal->run->id] = $proposal->run;
        $fittings += $proposal->fittings;
        $circuits += $proposal->circuits;
    }

    return new Installation(
        'bench',
        'Bench',
        HouseRules::defaults(),
        ShippedCatalogue::load(),
        $locations,
        $ways,
        $looms,
        $circuits,
        [],
        $fittings,
        $runs,
        junctions: $junctions,
    );
}

printf(
    "%8s %8s %8s %12s %12s %14s %14s %14s %12s %10s\n",
    'runs',
    'ways',
    'looms',
    'first, ms',
    'again, ms',
    'way moved, ms',
    'dress all, ms',
    'cut plan, ms',
    'parts, ms',
    'peak, MB',
);
foreach ([100, 500, 1000, 2000] as $count) {
    $in = building($count);
    $planner = new Planner(new MemoryPlanCache());
    $time = static function (callable $work): float {
        $start = hrtime(true);
        Uncollected::run($work);

        return (hrtime(true) - $start) / 1e6;
    };
    memory_reset_peak_usage();
    $first = $time(static fn () => $planner->plan($in)->judged());
    $again = $time(static fn () => $planner->plan($in)->judged());
    $moved = $in->ways()['w-1-0'];
    $edited = $in->withWays(
        [
            'w-1-0' => new Way(
                $moved->id,
                $moved->name,
                $moved->kind,
                Length::metres(40),
                $moved->from,
                $moved->to,
                $moved->inner,
            ),
        ] + $in->ways(),
    );
    $edit = $time(static fn () => $planner->plan($edited)->judged());
    $plan = $planner->plan($in);
    $dresser = new Dresser($in, new MemoryPackings());
    $dress = $time(static function () use ($dresser, $plan): array {
        return array_map($dresser->dress(...), $plan->layout->looms);
    });
    $cut = $time(static fn () => Cuts::plan(CutFacts::of($in, $plan), new Record()));
    $parts = $time(
        static fn () => PartsPlanner::planned($in, $plan)->list(array_map(strval(...), array_keys($in->runs()))),
    );
    printf(
        "%8d %8d %8d %12.1f %12.1f %14.1f %14.1f %14.1f %12.1f %10.1f\n",
        $count,
        count($in->ways()),
        count($in->looms()),
        $first,
        $again,
        $edit,
        $dress,
        $cut,
        $parts,
        memory_get_peak_usage() / 1e6,
    );
}
