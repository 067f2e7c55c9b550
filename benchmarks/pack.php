<?php

declare(strict_types=1);

/*
 * What a hand-over pack costs: php benchmarks/pack.php
 * Needs a PostgreSQL as bin/start brings it up: DB_PORT, and in DB_DATABASE a
 * database that may be emptied. One run in ten is a 24-pair multicore; every
 * run is cut, made, looked over, labelled, pulled and tested twice.
 */

use App\Formats\FileImporter;
use App\Handover\PackDesk;
use App\Models\Organisation;
use App\Models\User;
use App\Planning\ShippedCatalogue;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\Person;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Installation\UsedTypes;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Verdict;

require __DIR__.'/../vendor/autoload.php';

$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
config(['filesystems.disks.local.root' => sys_get_temp_dir().'/sartal-pack-benchmark']);

const KINDS = [
    ['pair-foil', 'analogue', 'xlr3-female-cable-balanced', 'xlr3-male-cable-balanced'],
    ['cat6a-futp', 'network', '8p8c-jack-screened-t568b', '8p8c-jack-screened-t568b'],
    ['coax-75-12g', 'video', 'bnc75-plug-video', 'bnc75-plug-video'],
];

function job(int $count): InstallationFile
{
    $proposer = new Proposer(ShippedCatalogue::load());
    $runs = $fittings = $circuits = [];
    for ($i = 1; $i <= $count; $i++) {
        [$cable, $signal, $a, $b] =
            $i % 10 === 0
                ? ['multicore-24', 'analogue', 'xlr3-female-panel-balanced', 'rect90-male-24ch']
                : KINDS[$i % 3];
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
            new RunRequest('R-'.$i, 'R-'.$i, $cable, [$signal], Build::Shop, $end('here', $a), $end('there', $b), [
                'tray',
            ]),
        );
        $runs[$proposal->run->id] = $proposal->run;
        $fittings += $proposal->fittings;
        $circuits += $proposal->circuits;
    }
    $in = new Installation(
        'bench',
        'Bench',
        HouseRules::defaults(),
        ShippedCatalogue::load(),
        ['here' => new Location('here', 'Here'), 'there' => new Location('there', 'There')],
        ['tray' => new Way('tray', 'Tray', WayKind::Tray, Length::metres(20), 'here', 'there')],
        circuits: $circuits,
        fittings: $fittings,
        runs: $runs,
    );
    $in = $in->withCatalogue(UsedTypes::in($in));
    $planner = new Planner();
    $plan = $planner->plan($in);
    $events = [];
    foreach (array_map(strval(...), array_keys($runs)) as $run) {
        $relied = $plan->reliedOn($run);
        foreach (
            [
                [EventKind::Cut, null],
                [EventKind::Joined, Side::A],
                [EventKind::Joined, Side::B],
                [EventKind::Inspected, null],
                [EventKind::Labelled, null],
                [EventKind::Tested, null],
                [EventKind::Pulled, null],
                [EventKind::Installed, null],
                [EventKind::Tested, null],
            ] as $i => [$kind, $side]
        ) {
            $at = sprintf('2026-03-09T08:%02d:00.000000Z', $i);
            $test = $kind === EventKind::Tested;
            $events[] = new Event(
                sprintf('00000000-0000-4000-8000-%012d', count($events)),
                $kind,
                $run,
                $side,
                'crew@bench.example',
                $at,
                $at,
                $relied->for($kind, $side),
                says: $test
                    ? new TestTaken(
                        new Reading(['t:'.$run.'.a1/1' => []]),
                        Verdict::Passes,
                        $i > 5 ? TestStage::Installed : null,
                    )
                    : $relied->says($kind, $side),
            );
        }
    }

    return new InstallationFile($in, new Record($events), [new Person('crew@bench.example', 'Crew', ['lead'])]);
}

printf("%8s %8s %10s %8s %10s %10s\n", 'runs', 'events', 'pack, s', 'pages', 'size, MB', 'peak, MB');
foreach ([100, 500] as $count) {
    Artisan::call('migrate:fresh', ['--force' => true]);
    $stored = (new FileImporter())->import(job($count), Organisation::query()->create(['name' => 'Bench']));
    memory_reset_peak_usage();
    $start = hrtime(true);
    $pack = $app->make(PackDesk::class)->make($stored, User::query()->firstOrFail(), static fn () => null);
    printf(
        "%8d %8d %10.1f %8d %10.1f %10.0f\n",
        $stored->runs()->count(),
        $stored->events()->count(),
        (hrtime(true) - $start) / 1e9,
        $pack->pages,
        array_sum(array_column($pack->files, 'bytes')) / 1e6,
        memory_get_peak_usage() / 1e6,
    );
}
