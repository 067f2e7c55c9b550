<?php

declare(strict_types=1);

/*
 * What terminations cost: php benchmarks/terminations.php
 * A sheet and its PDF by contacts; a rule's consequences by runs in the
 * installation; what fits by connectors in the catalogue.
 */

use App\Documents\Drawing\PdfCanvas;
use App\Documents\Drawing\View;
use App\Documents\SheetDrawing;
use App\Planning\ShippedCatalogue;
use App\Planning\Uncollected;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\ShellBond;
use Sartal\Core\Plan\Planning\Consequences;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Planning\Suitability;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\QuickLine;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Work\Bench\EndSheets;

require __DIR__.'/../vendor/autoload.php';

$timed = static function (callable $work): float {
    $start = hrtime(true);
    $work();

    return (hrtime(true) - $start) / 1e6;
};
$demo = InstallationFile::parse((string) file_get_contents(__DIR__.'/../database/demo/brackwater.json'))
    ->installation;
$in = $demo->withCatalogue(FormerConversion::completed($demo->catalogue, ShippedCatalogue::load()));
$plan = (new Planner())->plan($in);
$sheets = new EndSheets($in);

printf("%10s %12s %12s\n", 'contacts', 'sheet, ms', 'PDF, ms');
foreach (['A-114' => 3, 'M-202' => 24, 'M-201' => 72] as $run => $contacts) {
    $sheet = null;
    $side = $run === 'M-202' ? Side::A : Side::B;
    $made = $timed(static function () use (&$sheet, $sheets, $in, $run, $side, $plan): void {
        $sheet = $sheets->of($in->runs()[$run], $side, $plan->runs[$run]);
    });
    $drawn = $timed(static function () use (&$sheet): void {
        if ($sheet !== null) {
            $canvas = new PdfCanvas('benchmark', SheetDrawing::WIDTH, SheetDrawing::HEIGHT);
            SheetDrawing::draw($canvas, $sheet, null, new View(), 'benchmark');
            $canvas->bytes();
        }
    });
    printf("%10d %12.1f %12.1f\n", $contacts, $made, $drawn);
}

/** The demo again and again under other codes, to a number of runs. */
$grown = static function (int $count) use ($in): Installation {
    $proposer = new Proposer($in->catalogue);
    [$runs, $fittings, $circuits] = [$in->runs(), $in->fittings(), $in->circuits()];
    for ($n = 0; count($runs) < $count; $n++) {
        $guess = QuickLine::read(
            $n % 8 === 0 ? '24 mic stage box 1 > amp rack' : 'mic lectern > amp rack',
            $in,
        );
        $request = $guess->requests[0];
        $proposal = $proposer->propose(
            new RunRequest(
                'G-'.$n,
                'G-'.$n,
                $request->cable,
                $request->signals,
                $request->build,
                $request->a,
                $request->b,
                $request->ways,
            ),
        );
        $runs[$proposal->run->id] = $proposal->run;
        $fittings += $proposal->fittings;
        $circuits += $proposal->circuits;
    }

    return new Installation(
        $in->id,
        $in->name,
        $in->rules(),
        $in->catalogue,
        $in->locations(),
        $in->ways(),
        $in->looms(),
        $circuits,
        $in->equipment(),
        $fittings,
        $runs,
        $in->matings(),
        $in->splices(),
        $in->links(),
        $in->switches(),
    );
};

printf("\n%10s %18s\n", 'runs', 'consequences, ms');
foreach ([100, 400, 1600] as $count) {
    $of = $grown($count);
    $spent = $timed(
        static fn () => Uncollected::run(static function () use ($of): Consequences {
            $then = $of->withRules($of->rules()->with(ShellBond::OneEnd));
            $planner = new Planner(new MemoryPlanCache());

            return Consequences::between($planner->plan($of), $then, $planner->plan($then));
        }),
    );
    printf("%10d %18.0f\n", $count, $spent);
}

printf("\n%10s %14s\n", 'plans', 'what fits, ms');
foreach ([30, 60, count($in->catalogue->plans())] as $count) {
    $few = $in->withCatalogue(
        new Catalogue(
            $in->catalogue->cables(),
            $in->catalogue->connectors(),
            $in->catalogue->signals(),
            array_slice($in->catalogue->plans(), 0, $count, true),
            $in->catalogue->parts(),
            $in->catalogue->procedures(),
        ),
    );
    $took = $timed(static fn (): array => (new Suitability($few))->of('pair-foil', 'analogue'));
    printf("%10d %14.1f\n", $count, $took);
}
