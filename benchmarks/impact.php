<?php

declare(strict_types=1);

/*
 * What it costs to say what an edit overtakes: php benchmarks/impact.php
 * Runs in bundles of 25 along a way of their own; all are cut, half of them
 * made, a tenth tested. The way of one bundle grows by two metres, then a
 * house rule changes every four-pair end, then every way grows at once.
 */

use App\Planning\ShippedCatalogue;
use App\Planning\Uncollected;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\ColourScheme;
use Sartal\Core\Later\Changing\Impact;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\Work;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Verdict;

require __DIR__.'/../vendor/autoload.php';

const KINDS = [
    ['pair-foil', 'analogue', 'xlr3-female-cable-balanced', 'xlr3-male-cable-balanced'],
    ['cat6a-futp', 'network', '8p8c-jack-screened-house', '8p8c-jack-screened-house'],
    ['coax-75-12g', 'video', 'bnc75-plug-video', 'bnc75-plug-video'],
];

function way(string $id, float $metres): Way
{
    return new Way($id, $id, WayKind::Tray, Length::metres($metres), 'here', 'there');
}

function overtaken(int $count): Installation
{
    $proposer = new Proposer(ShippedCatalogue::load());
    $runs = $fittings = $circuits = $ways = [];
    for ($i = 1; $i <= $count; $i++) {
        [$cable, $signal, $a, $b] = KINDS[$i % 3];
        $way = 'w-'.intdiv($i, 25);
        $ways[$way] ??= way($way, 20 + (intdiv($i, 25) % 7));
        $end = static fn (string $at, string $plan): Termination => new Termination(
            $at,
            [$plan],
            Length::metres(1),
            Length::millimetres(300),
            Length::millimetres(40),
            1,
            Length::zero(),
        );
        $proposal = $proposer->propose(
            new RunRequest('R-'.$i, 'R-'.$i, $cable, [$signal], Build::Shop, $end('here', $a), $end('there', $b), [
                $way,
            ]),
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
        ['here' => new Location('here', 'Here'), 'there' => new Location('there', 'There')],
        $ways,
        circuits: $circuits,
        fittings: $fittings,
        runs: $runs,
    );
}

function record(Installation $in, Planner $planner): Record
{
    $plan = $planner->plan($in);
    $events = [];
    $add = static function (string $run, EventKind $kind, ?Side $side = null, ?Particulars $says = null) use (
        &$events,
        $plan,
    ): void {
        $relied = $kind === EventKind::Tested ? $plan->reliedOn($run) : $plan->fingerprints($run);
        $at = '2026-03-09T08:00:00.000000Z';
        $events[] = new Event(
            sprintf('00000000-0000-4000-8000-%012d', count($events)),
            $kind,
            $run,
            $side,
            'x',
            $at,
            $at,
            $relied->for($kind, $side),
            says: $says ?? $relied->says($kind, $side),
        );
    };
    foreach (array_map(strval(...), array_keys($in->runs())) as $i => $run) {
        $add($run, EventKind::Cut);
        if ($i % 2 === 0) {
            $add($run, EventKind::Joined, Side::A);
            $add($run, EventKind::Joined, Side::B);
            $add($run, EventKind::Inspected);
        }
        if ($i % 10 === 0) {
            $add($run, EventKind::Tested, says: new TestTaken(verdict: Verdict::Passes));
        }
    }

    return new Record($events);
}

printf(
    "%8s %12s | %20s | %22s | %22s | %8s\n",
    'runs',
    'plan, ms',
    'one way: runs, ms',
    'house rule: runs, ms',
    'every way: runs, ms',
    'peak, MB',
);
foreach ([500, 2000, 5000] as $count) {
    memory_reset_peak_usage();
    $planner = new Planner(new MemoryPlanCache());
    $in = overtaken($count);
    $record = record($in, $planner);
    $start = hrtime(true);
    $plan = Uncollected::run(static fn () => $planner->plan($in, $record));
    $first = (hrtime(true) - $start) / 1e6;
    $time = static function (Installation $then) use ($planner, $in, $plan, $record): array {
        $start = hrtime(true);
        $impact = Uncollected::run(
            static fn (): Impact => (new ImpactPlanner(
                new Work($then, $planner->plan($then, $record), $record),
                before: $plan,
            ))->after(new Work($in, $plan, $record)),
        );

        return [count($impact->runs), (hrtime(true) - $start) / 1e6];
    };
    $one = $time($in->withWays(['w-3' => way('w-3', 25)] + $in->ways()));
    $rule = $time($in->withRules($in->rules()->with(ColourScheme::A)));
    $all = $time(
        $in->withWays(array_map(static fn (Way $way): Way => way($way->id, $way->length->inMetres() + 2), $in->ways())),
    );
    printf(
        "%8d %12.0f | %8d %11.0f | %10d %11.0f | %10d %11.0f | %8.0f\n",
        $count,
        $first,
        ...[...$one, ...$rule, ...$all, memory_get_peak_usage() / 1e6],
    );
    unset($planner, $in, $record, $plan);
}
