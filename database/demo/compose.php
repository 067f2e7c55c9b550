<?php

declare(strict_types=1);

/*
 * Writes brackwater.json, the demo: an invented visitor centre in a tidal
 * barrage. Run by hand when the demo is to change: php database/demo/compose.php
 * It uses the proposer that the application uses, then records work as a crew
 * would have: events rely on the plan of the day.
 */

use App\Planning\ShippedCatalogue;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\Person;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Covering;
use Sartal\Core\Given\Installation\Demand;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Instrument;
use Sartal\Core\Given\Installation\InstrumentKind;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Level;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\PortDirection;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\TailCut;
use Sartal\Core\Given\Installation\TestChoices;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Installation\Topology;
use Sartal\Core\Given\Installation\UsedTypes;
use Sartal\Core\Given\Installation\VideoRate;
use Sartal\Core\Given\Installation\Workshop;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\AssemblyPlanner;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Phase;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;

require __DIR__.'/../../vendor/autoload.php';

$catalogue = ShippedCatalogue::load();
[$locations, $junctions, $ways] = require __DIR__.'/building.php';
[$reels, $economy] = require __DIR__.'/shelf.php';
$looms = [];
foreach (
    ['L1' => 'L1 under-stage', 'L2' => 'L2 projection', 'L3' => 'L3 floor boxes', 'L4' => 'L4 gallery'] as $id => $name
) {
    $looms[$id] = new Loom(
        $id,
        $name,
        '',
        in_array($id, ['L1', 'L2'], true) ? Covering::Sleeve : Covering::Ties,
        Length::millimetres(Loom::USUAL_TIES),
        $id === 'L2',
    );
}

$mm = static fn (int $millimetres): Length => Length::millimetres($millimetres);
$end = static fn (
    string $at,
    string $plans,
    int $tail,
    int $slack = 300,
    int $prep = 40,
    int $spares = 1,
    int $leg = 0,
): Termination => new Termination(
    $at,
    $plans === '' ? [] : explode('|', $plans),
    $mm($tail),
    $mm($slack),
    $mm($prep),
    $spares,
    $mm($leg),
);
$xf = 'xlr3-female-cable-balanced';
$xm = 'xlr3-male-cable-balanced';
$xfp = 'xlr3-female-panel-balanced';
$xmp = 'xlr3-male-panel-balanced';
$bnc = 'bnc75-plug-video';
$jack = '8p8c-jack-screened-t568b';
$lines = [];
$add = static function (
    string $code,
    string $cable,
    string $signals,
    Termination $a,
    Termination $b,
    ?string $loom = null,
    Build $build = Build::Shop,
    string $note = '',
) use (&$lines): void {
    $lines[] = new RunRequest($code, $code, $cable, explode('|', $signals), $build, $a, $b, [], $loom, $note);
};
$add(
    'M-201',
    'multicore-24',
    'analogue',
    $end('stage-box-1', $xfp, 1200, leg: 450),
    $end('amp-rack-1', 'rect90-male-24ch', 1500, prep: 120),
    'L1',
);
$add(
    'M-202',
    'multicore-8',
    'analogue',
    $end('media-rack', 'dsub25-male-aes59', 900, prep: 60),
    $end('amp-rack-1', $xm, 1500, leg: 600),
    null,
    note: 'Eight channels, AES59',
);
$add('A-114', 'pair-foil', 'analogue', $end('lectern', $xf, 1500), $end('amp-rack-1', $xm, 900, prep: 50), 'L1');
foreach (
    [
        116 => 'lectern',
        117 => 'lectern',
        118 => 'tide-model',
        119 => 'sluice-window',
        121 => 'foyer',
        122 => 'turbine-gallery',
    ] as $n => $from
) {
    $add(
        'A-'.$n,
        $n === 119 ? 'star-quad' : 'pair-foil',
        'analogue',
        $end($from, $xf, 1500),
        $end('amp-rack-1', $xm, 900, prep: 50),
        $from === 'lectern' ? 'L1' : 'L4',
    );
}
$add('A-131', 'digital-pair-110', 'aes3', $end('media-rack', $xm, 700), $end('amp-rack-1', $xf, 700));
$add('A-132', 'digital-pair-110', 'aes3', $end('control-desk', $xm, 1200), $end('media-rack', $xf, 900));
foreach (
    [
        401 => ['coax-75-12g', 'projector-1'],
        402 => ['coax-75-12g', 'projector-2'],
        403 => ['coax-75-12g', 'turbine-gallery'],
        404 => ['coax-75-mini', 'control-desk'],
        405 => ['coax-75-mini', 'lectern'],
        406 => ['coax-75-mini', 'foyer'],
    ] as $n => [$type, $to]
) {
    $add(
        'V-'.$n,
        $type,
        'video',
        $end('media-rack', $bnc, 900, prep: 20, spares: 2),
        $end($to, $bnc, 1100, prep: 20, spares: 2),
        $n <= 403 ? 'L2' : null,
    );
}
$add(
    'D-031',
    'data-2pair',
    'dmx',
    $end('control-desk', 'xlr5-male-dmx', 1000),
    $end('dimmer-room', 'xlr5-female-dmx', 1200),
);
$add(
    'D-032',
    'data-2pair',
    'dmx',
    $end('dimmer-room', 'xlr5-male-dmx', 900),
    $end('tide-model', 'xlr5-female-dmx', 1500),
    'L4',
);
$add(
    'D-033',
    'data-pair-120',
    'rs485',
    $end('control-desk', 'terminal3-rs485', 800, prep: 25),
    $end('projector-1', 'terminal3-rs485', 900, prep: 25),
    'L2',
);
$add(
    'D-034',
    'data-pair-120',
    'rs485',
    $end('projector-1', 'terminal3-rs485', 900, prep: 25),
    $end('projector-2', 'terminal3-rs485', 900, prep: 25),
    'L2',
);
$add(
    'D-035',
    'data-pair-120',
    'rs485',
    $end('control-desk', 'terminal3-rs485', 800, prep: 25),
    $end('sluice-window', 'terminal3-rs485', 900, prep: 25),
);
$n = 418;
foreach ([1, 2, 3, 4] as $box) {
    for ($k = 0; $k < 3; $k++, $n++) {
        $add(
            'C-'.$n,
            'cat6a-futp',
            'network',
            $end('floor-box-'.$box, $jack, 500, 500, 60, 2),
            $end('comms-rack', $jack, 1800, 500, 60, 2),
            'L3',
            Build::Site,
        );
    }
}
$add(
    'C-441',
    'cat6-utp',
    'network',
    $end('foyer', '8p8c-jack-t568b', 400, 500, 50, 2),
    $end('comms-rack', '8p8c-jack-t568b', 1800, 500, 50, 2),
    null,
    Build::Site,
);
$add(
    'C-442',
    'cat6-utp',
    'network',
    $end('media-rack', '8p8c-plug-t568b', 600, 0, 40, 1),
    $end('comms-rack', '8p8c-plug-t568b', 600, 0, 40, 1),
);
$add(
    'M-203',
    'multicore-8',
    'analogue',
    $end('split-panel', $xfp, 600, 200, 25, 0, 350),
    $end('amp-rack-1', $xm, 1500, leg: 600),
    'L1',
    note: 'Fixed tail of split panel inputs 1 to 8',
);
$add(
    'M-204',
    'multicore-8',
    'analogue',
    $end('split-panel', $xfp, 600, 200, 25, 0, 350),
    $end('amp-rack-1', $xm, 1500, leg: 600),
    'L1',
    note: 'Fixed tail of split panel inputs 9 to 16',
);
$mod = 'modular-frame-4-mixed';
$add(
    'V-407',
    'coax-75-mini',
    'video',
    $end('media-rack', $bnc, 900, prep: 20),
    $end('front-of-house', $mod, 800, prep: 20),
);
$add(
    'V-408',
    'coax-75-mini',
    'video',
    $end('media-rack', $bnc, 900, prep: 20),
    $end('front-of-house', $mod, 800, prep: 20),
);
$add('A-133', 'pair-foil', 'analogue', $end('amp-rack-1', $xf, 900), $end('front-of-house', $mod, 800, prep: 50));
$add('A-134', 'pair-foil', 'analogue', $end('amp-rack-1', $xf, 900), $end('front-of-house', $mod, 800, prep: 50));
$add(
    'C-443',
    'cat6-utp',
    'network',
    $end('comms-rack', '8p8c-plug-house', 600, 0, 40, 1),
    $end('front-of-house', $mod, 800, 0, 40, 1),
);
$add(
    'L-501',
    'loudspeaker-2',
    'loudspeaker',
    $end('amp-rack-1', 'speaker4-cable-1', 1500, 500, 40),
    $end('hall-left', 'speaker4-cable-1', 1000, 500, 40),
);
$add(
    'L-502',
    'loudspeaker-4',
    'loudspeaker',
    $end('amp-rack-1', 'speaker4-cable-2', 1500, 500, 40),
    $end('hall-right', 'speaker4-cable-2', 1000, 500, 40),
);
$add(
    'P-007',
    'composite',
    'mains|analogue',
    $end('amp-rack-1', 'power-out-cable-mains|'.$xf, 1500, 300, 300, 0, 300),
    $end('hall-left', 'power-in-cable-mains|'.$xm, 1000, 300, 300, 0, 350),
    null,
    Build::Shop,
    'Mains part: licensed person only',
);

$proposer = new Proposer($catalogue);
[$runs, $fittings, $circuits] = [[], [], []];
foreach ($lines as $line) {
    $proposal = $proposer->propose($line);
    $runs[$proposal->run->id] = $proposal->run;
    $fittings += $proposal->fittings;
    $circuits += $proposal->circuits;
}
$signalLonger = static function (Run $run): Run {
    // The loudspeaker's signal socket is 60 mm further than its mains socket.
    $b = $run->b;
    $legs = [
        $b->legs[0],
        new Leg(
            $b->legs[1]->id,
            $b->legs[1]->label,
            $b->legs[1]->elements,
            $b->legs[1]->length->plus(Length::millimetres(60)),
            $b->legs[1]->landing,
        ),
    ];

    // Mains is pinned to its own ways.
    return new Run(
        $run->id,
        $run->code,
        $run->cable,
        $run->build,
        $run->a,
        new End($b->location, $b->tail, $b->slack, $b->preparation, $b->spares, $legs),
        ['amp-mains', 'hall-mains'],
        $run->carries,
        $run->loom,
        $run->note,
    );
};
$runs['P-007'] = $signalLonger($runs['P-007']);
/** Changes one end's landings of a run. */
$land = static function (Run $run, string $side, callable $change): Run {
    $end = $run->{$side};
    $legs = array_map(
        static fn (Leg $leg): Leg => new Leg(
            $leg->id,
            $leg->label,
            $leg->elements,
            $leg->length,
            $leg->landing === null ? null : $change($leg->landing, $leg),
        ),
        array_values($end->legs),
    );
    $made = new End($end->location, $end->tail, $end->slack, $end->preparation, $end->spares, $legs);

    return new Run(
        $run->id,
        $run->code,
        $run->cable,
        $run->build,
        $side === 'a' ? $made : $run->a,
        $side === 'b' ? $made : $run->b,
        $run->ways,
        $run->carries,
        $run->loom,
        $run->note,
    );
};
// The multicore leaves its hood to the side.
$fittings['M-201.b1'] = new Fitting('M-201.b1', 'M-201 B', 'rect90-male', 'amp-rack-1', exit: 'right side');
// Five runs share one modular connector.
$fittings['MOD-1'] = new Fitting(
    'MOD-1',
    'FOH modular',
    'modular-frame-4',
    'front-of-house',
    $catalogue->plans()['modular-frame-4-mixed']->inserts,
);
foreach (['V-407' => 'V1', 'V-408' => 'V2', 'A-133' => '1', 'A-134' => '2', 'C-443' => 'N1'] as $run => $channel) {
    unset($fittings[$run.'.b1']);
    $runs[$run] = $land(
        $runs[$run],
        'b',
        static fn (Landing $landing): Landing => new Landing(
            'MOD-1',
            $landing->plan,
            array_map(static fn (): string => $channel, $landing->channels),
        ),
    );
}
// The split panel: each input goes to its tail and, through a ground lift, to an output.
[$links, $switches] = [[], []];
foreach (['M-203' => 0, 'M-204' => 8] as $run => $first) {
    foreach ($runs[$run]->a->legs as $i => $leg) {
        $n = $first + $i + 1;
        $in = $leg->landing->fitting ?? '';
        $fittings[$in] = new Fitting($in, 'Split in '.$n, 'xlr3-female-panel', 'split-panel');
        $fittings['split-out-'.$n] = new Fitting(
            'split-out-'.$n,
            'Split out '.$n,
            'xlr3-male-panel',
            'split-panel',
        );
        $links[] = new Link($in.'/2', 'split-out-'.$n.'/2', 'jumper');
        $links[] = new Link($in.'/3', 'split-out-'.$n.'/3', 'jumper');
        $switches['lift-'.$n] = new PanelSwitch(
            'lift-'.$n,
            'Ground lift '.$n,
            $in.'/1',
            'split-out-'.$n.'/1',
            true,
        );
        $circuit = $runs[$run]->carries[$i]->circuit;
        $circuits[$circuit] = new Circuit(
            $circuit,
            'Split '.$n,
            'analogue',
            Topology::Split,
            $in,
            $runs[$run]->b->legs[$i]->landing->fitting ?? '',
        );
    }
}
// Data that runs on from one device to the next is one circuit.
$chain = static function (string $first, string $name, string $terminator, string ...$further) use (
    &$runs,
    &$circuits,
): void {
    $id = $runs[$first]->carries[0]->circuit;
    $circuits[$id] = new Circuit(
        $id,
        $name,
        $circuits[$id]->signal,
        $further === [] ? Topology::PointToPoint : Topology::DaisyChain,
        terminator: $terminator,
    );
    foreach ($further as $run) {
        $r = $runs[$run];
        unset($circuits[$r->carries[0]->circuit]);
        $runs[$run] = new Run(
            $r->id,
            $r->code,
            $r->cable,
            $r->build,
            $r->a,
            $r->b,
            $r->ways,
            [new Carriage($r->carries[0]->element, $id)],
            $r->loom,
            $r->note,
        );
    }
};
$chain('D-031', 'Lighting line 1', 'tide:dmx', 'D-032');
$chain('D-033', 'Projector control', 'D-034.b1', 'D-034');
$chain('D-035', 'Sluice blind control', 'D-035.b1');
// What some circuits are asked for beyond the usual of their signal.
foreach (
    [
        'V-401' => new Demand(VideoRate::G12),
        'V-402' => new Demand(VideoRate::G12),
        'V-406' => new Demand(VideoRate::G12),
        'V-404' => new Demand(VideoRate::HD),
        'C-441' => new Demand(power: 25.0),
        'L-501' => new Demand(load: 4.0),
        'P-007' => new Demand(power: 600.0),
    ] as $run => $demand
) {
    $c = $circuits[$runs[$run]->carries[0]->circuit];
    $circuits[$c->id] = new Circuit(
        $c->id,
        $c->name,
        $c->signal,
        $c->topology,
        $c->from,
        $c->phantom,
        $c->terminator,
        $demand,
    );
}
$mic = static fn (string $id, string $name): Port => new Port(
    $id,
    $name,
    'xlr3-female-panel',
    'xlr3-female-panel-balanced',
    PortDirection::In,
    'analogue',
    Level::Microphone,
    true,
);
$equipment = [
    'amp' => new Equipment('amp', 'Amplifier patch panel', 'amp-rack-1', [
        new Port('in', 'multicore in', 'rect90-female', 'rect90-female-24ch', PortDirection::In, 'analogue'),
        $mic('p31', 'in 31'),
        $mic('p32', 'in 32'),
        $mic('p33', 'in 33'),
        $mic('p34', 'in 34'),
    ]),
    'codec' => new Equipment('codec', 'Audio converter', 'media-rack', [
        new Port('out', 'out 1–8', 'dsub25-female', 'dsub25-female-aes59', PortDirection::Out, 'analogue', Level::Line),
    ]),
    'tide' => new Equipment('tide', 'Tide model dimmer', 'tide-model', [
        new Port(
            'dmx',
            'lighting in',
            'xlr5-male-panel',
            'xlr5-male-panel-dmx',
            PortDirection::In,
            'dmx',
            terminates: true,
        ),
    ]),
    'foh' => new Equipment('foh', 'Front-of-house box', 'front-of-house', [
        new Port('mod', 'house lines', 'modular-frame-4-female', 'modular-frame-4-female-mixed'),
    ]),
];
$matings = [
    new Mating('M-201.b1', 'amp:in'),
    new Mating('M-202.a1', 'codec:out'),
    new Mating('A-114.b1', 'amp:p31'),
    new Mating('A-116.b1', 'amp:p32'),
    new Mating('D-032.b1', 'tide:dmx'),
    new Mating('MOD-1', 'foh:mod'),
];
// The split panel from behind: inputs in the upper two rows, outputs below them.
$places = [];
foreach (
    array_chunk(
        array_filter(
            array_keys($fittings),
            static fn (int|string $id): bool => preg_match('~^M-20[34]\.a~', (string) $id) === 1,
        ),
        8,
    ) as $row => $ins
) {
    foreach ($ins as $column => $in) {
        $places[$row + 1 .'-'.($column + 1)] = (string) $in;
        $places[$row + 3 .'-'.($column + 1)] = 'split-out-'.($row * 8 + $column + 1);
    }
}
$panels = [
    'split' => new Panel(
        'split',
        'Split panel',
        'split-panel',
        4,
        8,
        $mm(40),
        $mm(26),
        $mm(52),
        $mm(36),
        $mm(0),
        $mm(84),
        [$mm(62), $mm(134)],
        $mm(70),
        $mm(120),
        TailCut::Equal,
        null,
        $places,
    ),
];
$instruments = [];
foreach (
    [
        new Instrument('loom-2', 'Loom tester 2', InstrumentKind::Loom, 'LT-2', '2027-03-31'),
        new Instrument('wire-map-1', 'Wire-map tester 1', InstrumentKind::WireMap, 'WM-1', '2026-02-28'),
        new Instrument('meter-1', 'Meter 1', InstrumentKind::Meter, 'M-1', '2027-06-30'),
        new Instrument('certifier-1', 'Certifier 1', InstrumentKind::Certifier, 'C-1', '2027-01-31'),
        new Instrument('ears-1', 'Tone source and headphones', InstrumentKind::Ears),
    ] as $instrument
) {
    $instruments[$instrument->id] = $instrument;
}
$whole = new Installation(
    'brackwater',
    'Brackwater Tide Station',
    HouseRules::defaults(),
    $catalogue,
    $locations,
    $ways,
    $looms,
    $circuits,
    $equipment,
    $fittings,
    $runs,
    $matings,
    [],
    $links,
    $switches,
    $junctions,
    $panels,
    $reels,
    $economy,
    new Workshop(3, 7.5, ['8P8C plug tool' => 1, 'four-indent crimp tool, positioner 1, selector 3' => 1]),
    new TestChoices(),
    $instruments,
);

$installation = $whole->withCatalogue(UsedTypes::in($whole));

$people = [
    new Person('planner@brackwater.example', 'Imre Okafor-Lund', ['planner']),
    new Person('bench@brackwater.example', 'Tove Castellan', ['bench'], ['solder', 'crimp', 'coax']),
    new Person('bench2@brackwater.example', 'Anselm Quayle-Bright', ['bench'], ['crimp', 'category', 'solder']),
    new Person('installer@brackwater.example', 'Rafi Dunmarrow', ['installer'], ['category']),
    new Person('tester@brackwater.example', 'Sunniva Pryde', ['tester']),
    new Person('lead@brackwater.example', 'Odile Marchetti-Voss', ['lead'], ['mains', 'solder', 'coax']),
];
$planner = new Planner();
$plan = $planner->plan($installation);
$assemblies = new AssemblyPlanner($installation, $plan->runs);
$events = [];
$minute = 0;
$bench = 0;
$did = static function (
    string $run,
    EventKind $kind,
    string $by,
    ?Side $side = null,
    string $note = '',
    string $instrument = '',
    ?Reading $reading = null,
    ?TestStage $stage = null,
) use (&$events, &$minute, $plan, $assemblies): void {
    $minute += 11;
    $at =
        gmdate('Y-m-d\TH:i:s', strtotime('2026-03-09T08:00:00Z') + $minute * 60 + intdiv($minute, 480) * 57600).
        '.000000Z';
    $verdict =
        $reading === null
            ? null
            : $assemblies->expectation($plan->assemblies[$plan->assemblyOf[$run]])->verdict($reading);
    $hex = md5('brackwater'.count($events));
    $id = sprintf(
        '%s-%s-4%s-a%s-%s',
        substr($hex, 0, 8),
        substr($hex, 8, 4),
        substr($hex, 13, 3),
        substr($hex, 17, 3),
        substr($hex, 20, 12),
    );
    $relied = $plan->reliedOn($run);
    $events[] = new Event(
        $id,
        $kind,
        $run,
        $side,
        $by.'@brackwater.example',
        $at,
        $at,
        $relied->for($kind, $side),
        $instrument,
        $note,
        says: $kind === EventKind::Tested ? new TestTaken($reading, $verdict, $stage) : $relied->says($kind, $side),
    );
};
$good = static fn (string $run): Reading => $assemblies->expectation($plan->assemblies[$plan->assemblyOf[$run]])
    ->reading;
$make = static function (string $run, bool $look = true, bool $label = true) use ($did): void {
    $did($run, EventKind::Cut, 'bench');
    $did($run, EventKind::Joined, 'bench', Side::A);
    $did($run, EventKind::Joined, 'bench', Side::B);
    if ($look) {
        $did($run, EventKind::Inspected, 'bench');
    }
    if ($label) {
        $did($run, EventKind::Labelled, 'bench');
    }
};
$tester = 'Loom tester 2';
$did('M-201', EventKind::Cut, 'bench');
// End B is in hand: everything is prepared, 43 of its 72 contacts are in.
$inHand = 0;
foreach (
    Traveller::order(
        (new OperationPlanner($installation))->of($plan->assemblies['M-201'], $plan->runs),
        $installation->rules(),
    )->operations as $operation
) {
    $join = $operation->task === Task::Join;
    if (
        $operation->id !== 'M-201|mark' &&
        ($operation->side !== Side::B || $operation->phase->value > Phase::Join->value || ($join && $inHand++ >= 43))
    ) {
        continue;
    }
    $seconds = (int) round(
        $operation->pace->minutes() * $operation->amount * 60 * (0.8 + ((count($events) * 7) % 13) / 20),
    );
    $bench += $seconds;
    $at = gmdate('Y-m-d\TH:i:s', strtotime('2026-03-09T08:20:00Z') + $bench).'.000000Z';
    $hex = md5('brackwater bench '.$operation->id);
    $id = sprintf(
        '%s-%s-4%s-a%s-%s',
        substr($hex, 0, 8),
        substr($hex, 8, 4),
        substr($hex, 13, 3),
        substr($hex, 17, 3),
        substr($hex, 20, 12),
    );
    $events[] = new Event(
        $id,
        $operation->task->event(),
        'M-201',
        $operation->side,
        ($inHand > 29 ? 'bench2' : 'bench').'@brackwater.example',
        $at,
        $at,
        OperationFacts::fingerprint($operation),
        step: $operation->id,
        took: (float) $seconds,
    );
}
$make('A-114');
$swapped = [];
foreach ($good('A-114')->lights as $from => $to) {
    $swapped[$from] = match (substr((string) $from, -2)) {
        '/2' => ['t:A-114.b1/3'],
        '/3' => ['t:A-114.b1/2'],
        default => $to,
    };
}
$did('A-114', EventKind::Tested, 'tester', null, '', $tester, new Reading($swapped, []));
$did('A-114', EventKind::Remade, 'bench', Side::B, 'Hot and cold were exchanged');
$did('A-114', EventKind::Inspected, 'bench');
$did('A-114', EventKind::Tested, 'tester', null, 'After rework at end B', $tester, $good('A-114'));
foreach (['A-116', 'A-117', 'V-401', 'V-402', 'D-031'] as $run) {
    $make($run);
    $did($run, EventKind::Tested, 'tester', null, '', $tester, $good($run));
}
foreach (['V-401', 'D-031'] as $run) {
    $did($run, EventKind::Installed, 'installer');
}
$did(
    'D-031',
    EventKind::Tested,
    'tester',
    null,
    'In place, from the dimmer',
    $tester,
    $good('D-031'),
    TestStage::Installed,
);
$make('M-202');
$make('A-118', true, false);
$make('A-131', false, false);
$did('D-032', EventKind::Cut, 'bench');
$did('V-403', EventKind::Cut, 'bench');
$make('C-442');
$open = $good('C-442')->lights;
$open['t:C-442.a1/4'] = [];
$did(
    'C-442',
    EventKind::Tested,
    'tester',
    null,
    'Plug at the comms rack looks short',
    'Wire-map tester 1',
    new Reading($open, []),
);
foreach (['C-418', 'C-419', 'C-420', 'C-421'] as $run) {
    $did($run, EventKind::Cut, 'installer');
    $did($run, EventKind::Labelled, 'installer');
    $did($run, EventKind::Pulled, 'installer');
}
foreach (['C-418', 'C-419'] as $run) {
    $did($run, EventKind::Joined, 'installer', Side::A);
    $did($run, EventKind::Joined, 'installer', Side::B);
    $did($run, EventKind::Inspected, 'installer');
}
$did('C-418', EventKind::Tested, 'tester', null, '', 'Wire-map tester 1', $good('C-418'));
$did('L-501', EventKind::Cut, 'bench');

file_put_contents(
    __DIR__.'/brackwater.json',
    (new InstallationFile($installation, new Record($events), $people))->print(),
);
foreach ($planner->plan($installation, new Record($events))->findings() as $finding) {
    echo $finding->severity->value, ' ', $finding->code, ' ', $finding->words, "\n";
}
printf("%d runs, %d events\n", count($runs), count($events));
