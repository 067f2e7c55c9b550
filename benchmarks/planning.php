<?php

declare(strict_types=1);

/*
 * What planning costs as an installation grows: php benchmarks/planning.php
 * One run in ten is a 24-pair multicore; one in five has been tested, so that
 * its expected reading is computed as well.
 */

use App\Planning\ShippedCatalogue;
use App\Planning\Uncollected;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Verdict;

require __DIR__.'/../vendor/autoload.php';

const KINDS = [
    ['pair-foil', 'analogue', 'xlr3-female-cable-balanced', 'xlr3-male-cable-balanced'],
    ['cat6a-futp', 'network', '8p8c-jack-screened-t568b', '8p8c-jack-screened-t568b'],
    ['coax-75-12g', 'video', 'bnc75-plug-video', 'bnc75-plug-video'],
];

/** @return array{Installation, Record} */
function installation(int $count): array
{
    $proposer = new Proposer(ShippedCatalogue::load());
    [$runs, $fittings, $circuits, $events] = [[], [], [], []];
    for ($i = 1; $i <= $count; $i++) {
        [$cable, $signal, $a, $b] =
            $i % 10 === 0
                ? ['multicore-24', 'analogue', 'xlr3-female-panel-balanced', 'rect90-male-24ch']
                : KINDS[$i % 3];
        $end = static fn (string $plan): Termination => new Termination(
            'here',
            [$plan],
            Length::metres(1),
            Length::zero(),
            Length::millimetres(40),
            1,
            Length::zero(),
        );
        $proposal = $proposer->propose(
            new RunRequest('R-'.$i, 'R-'.$i, $cable, [$signal], Build::Shop, $end($a), $end($b), ['tray']),
        );
        $runs[$proposal->run->id] = $proposal->run;
        $fittings += $proposal->fittings;
        $circuits += $proposal->circuits;
        if ($i % 5 === 0) {
            $at = '2026-03-09T08:00:00.000000Z';
            $events[] = new Event(
                sprintf('00000000-0000-4000-8000-%012d', $i),
                EventKind::Tested,
                'R-'.$i,
                null,
                'x',
                $at,
                $at,
                '',
                says: new TestTaken(verdict: Verdict::Passes),
            );
        }
    }
    $in = new Installation(
        'bench',
        'Bench',
        HouseRules::defaults(),
        ShippedCatalogue::load(),
        ['here' => new Location('here', 'Here')],
        ['tray' => new Way('tray', 'Tray', WayKind::Tray, Length::metres(20), 'here', 'there')],
        circuits: $circuits,
        fittings: $fittings,
        runs: $runs,
    );

    return [$in, new Record($events)];
}

printf("%8s %12s %12s %14s %12s %10s\n", 'runs', 'first, ms', 'again, ms', 'one edit, ms', 'recomputed', 'peak, MB');
foreach ([100, 1000, 5000] as $count) {
    [$in, $record] = installation($count);
    $cache = new MemoryPlanCache();
    $planner = new Planner($cache);
    $time = static function (Installation $of) use ($planner, $record): float {
        $start = hrtime(true);
        // A plan is worked out as far as somebody asks: here, all of it.
        Uncollected::run(static function () use ($planner, $of, $record): void {
            $plan = $planner->plan($of, $record);
            $plan->findings();
            $plan->strands();
        });

        return (hrtime(true) - $start) / 1e6;
    };
    memory_reset_peak_usage();
    $first = $time($in);
    $again = $time($in);
    $run = $in->runs()['R-7'];
    $before = $cache->runsComputed;
    $edited = $in->withRun(
        new Run($run->id, $run->code, $run->cable, $run->build, $run->a, $run->b, [], $run->carries),
        [],
        [],
    );
    $edit = $time($edited);
    printf(
        "%8d %12.1f %12.1f %14.1f %12d %10.1f\n",
        $count,
        $first,
        $again,
        $edit,
        $cache->runsComputed - $before,
        memory_get_peak_usage() / 1e6,
    );
    unset($in, $edited, $cache, $planner, $record);
}
