<?php

declare(strict_types=1);

/* What a cut plan costs as it grows, beside the least number of reels: php benchmarks/cutting.php */

use App\Planning\ShippedCatalogue;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\CutNeeded;
use Sartal\Core\Work\Cutting\CutPlanner;
use Sartal\Core\Work\Cutting\Stock;
use Sartal\Core\Work\Cutting\StockKind;

require __DIR__.'/../vendor/autoload.php';

$rules = HouseRules::defaults();
$cable = ShippedCatalogue::load()->theCable('pair-foil');
$facts = new CutFacts([], [$cable->id => $cable], [], $rules->usable, $rules->reelMargin);
printf("%8s %10s %12s %10s %10s %12s\n", 'cuts', 'offcuts', 'time, ms', 'bought', 'at least', 'scrap, %');
foreach ([50, 200, 500, 1000, 2000] as $count) {
    $random = new Randomizer(new Mt19937($count));
    $needs = $stock = [];
    for ($i = 0; $i < $count; $i++) {
        $needs[] = new CutNeeded('R-'.$i, 'pair-foil', Length::millimetres($random->getInt(60, 1200) * 50));
    }
    for ($i = 0; $i < $count / 50; $i++) {
        $stock[] = new Stock(
            'O-'.$i,
            'O-'.$i,
            'pair-foil',
            Length::metres($random->getInt(5, 60)),
            StockKind::Offcut,
            null,
            Length::zero(),
        );
    }
    $start = hrtime(true);
    $plan = (new CutPlanner($facts))->plan($needs, $stock)->cables['pair-foil'];
    $time = (hrtime(true) - $start) / 1e6;
    printf(
        "%8d %10d %12.1f %10d %10d %12.2f\n",
        $count,
        count($stock),
        $time,
        $plan->bought,
        $plan->atLeast,
        (100 * $plan->scrap->inMetres()) / $plan->needed()->inMetres(),
    );
}
