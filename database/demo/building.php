<?php

declare(strict_types=1);

/*
 * The invented building of the demo: where cables end, where ways meet, and
 * the ways between them. Distances are the building's; places on the map are
 * for the eye alone.
 */

use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Environment;
use Sartal\Core\Given\Installation\Junction;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\MapPoint;
use Sartal\Core\Given\Installation\Rack;
use Sartal\Core\Given\Installation\RackEntry;
use Sartal\Core\Given\Installation\Takes;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;

$mm = static fn (int $millimetres): Length => Length::millimetres($millimetres);
$rack = static fn (int $units): Rack => new Rack($units, RackEntry::Bottom, $mm(400));

$locations = [];
foreach (
    [
        'stage-box-1' => ['Stage box 1', 1, 0],
        'stage-box-2' => ['Stage box 2', 1, 2],
        'lectern' => ['Lectern', 1, 4],
        'split-panel' => ['Split panel', 1, 6],
        'amp-rack-1' => ['Amplifier rack 1', 14, 9, $rack(42)],
        'media-rack' => ['Media rack', 14, 11, $rack(42)],
        'comms-rack' => ['Comms rack', 14, 13, $rack(42)],
        'control-desk' => ['Control desk', 22, 0],
        'front-of-house' => ['Front-of-house position', 22, 2],
        'projector-1' => ['Projector 1', 22, 4],
        'projector-2' => ['Projector 2', 22, 6],
        'hall-left' => ['Hall loudspeaker left', 22, 8],
        'hall-right' => ['Hall loudspeaker right', 22, 10],
        'dimmer-room' => ['Dimmer room', 22, 15],
        'foyer' => ['Foyer', 22, 17],
        'turbine-gallery' => ['Turbine gallery', 12, 16],
        'tide-model' => ['Tide model', 12, 18],
        'sluice-window' => ['Sluice window', 1, 17],
        'floor-box-1' => ['Floor box 1', 1, 8],
        'floor-box-2' => ['Floor box 2', 1, 10],
        'floor-box-3' => ['Floor box 3', 1, 12],
        'floor-box-4' => ['Floor box 4', 1, 14],
    ] as $id => $of
) {
    $locations[$id] = new Location($id, $of[0], at: new MapPoint($of[1], $of[2]), rack: $of[3] ?? null);
}
$junctions = [];
foreach (
    [
        'stage-pit' => ['Under-stage pit', 4, 3],
        'riser-foot' => ['Riser A foot', 9, 6],
        'riser-head' => ['Riser A head', 9, 0],
        'rack-room' => ['Rack room', 11, 11],
        'hall-ceiling' => ['Hall ceiling', 18, 3],
        'lobby' => ['Lift lobby ceiling', 19, 16],
        'gallery-end' => ['Gallery end', 9, 17],
        'floor-north' => ['North floor duct end', 4, 9],
        'floor-south' => ['South floor duct end', 4, 13],
    ] as $id => [$name, $x, $y]
) {
    $junctions[$id] = new Junction($id, $name, new MapPoint($x, $y));
}
$ways = [];
$way = static function (
    string $id,
    string $name,
    string $kind,
    string $length,
    string $from,
    string $to,
    string $inner = '',
    int $bends = 0,
    array $environment = [],
    Takes $takes = Takes::Both,
    int $bendRadius = 0,
) use (&$ways, $mm): void {
    $sides = array_map(Length::parse(...), array_filter(explode(' x ', $inner)));
    $bore = match (count($sides)) {
        0 => null,
        1 => Bore::round($sides[0]),
        default => Bore::rectangular($sides[0], $sides[1]),
    };
    $ways[$id] = new Way(
        $id,
        $name,
        WayKind::from($kind),
        Length::parse($length),
        $from,
        $to,
        $bore,
        $bends,
        $bendRadius === 0 ? null : $mm($bendRadius),
        array_values($environment),
        $takes,
    );
};
$way(
    'under-stage',
    'Under-stage tray',
    'tray',
    '12.4 m',
    'stage-pit',
    'riser-foot',
    '200 mm x 60 mm',
    1,
    takes: Takes::Signal,
);
$way('riser-a', 'Riser A', 'riser', '3.3 m', 'riser-foot', 'riser-head', '250 mm x 80 mm', takes: Takes::Signal);
$way('rack-void', 'Rack void', 'void', '2.5 m', 'riser-head', 'rack-room');
$way(
    'hall-tray',
    'Hall ceiling tray',
    'tray',
    '18.6 m',
    'riser-head',
    'hall-ceiling',
    '200 mm x 60 mm',
    2,
    takes: Takes::Signal,
);
$way(
    'gallery-trunking',
    'Gallery trunking',
    'trunking',
    '24.2 m',
    'riser-foot',
    'gallery-end',
    '75 mm x 50 mm',
    1,
    [],
    Takes::Signal,
    90,
);
$way(
    'floor-duct-n',
    'Floor duct north',
    'trunking',
    '14.8 m',
    'riser-foot',
    'floor-north',
    '50 mm x 38 mm',
    1,
    [],
    Takes::Signal,
    60,
);
$way(
    'floor-duct-s',
    'Floor duct south',
    'trunking',
    '17.1 m',
    'riser-foot',
    'floor-south',
    '50 mm x 38 mm',
    1,
    [],
    Takes::Signal,
    60,
);
$way(
    'barrage-conduit',
    'Barrage conduit',
    'conduit',
    '31 m',
    'gallery-end',
    'sluice-window',
    '41 mm',
    2,
    [Environment::Damp],
    Takes::Signal,
    150,
);
$way(
    'lift-lobby',
    'Lift lobby tray',
    'tray',
    '6.75 m',
    'hall-ceiling',
    'lobby',
    '100 mm x 60 mm',
    1,
    takes: Takes::Signal,
);
$way(
    'hall-mains',
    'Hall mains trunking',
    'trunking',
    '23.5 m',
    'rack-room',
    'hall-left',
    '50 mm x 50 mm',
    2,
    [],
    Takes::Mains,
    90,
);
$way(
    'amp-mains',
    'Amplifier rack mains drop',
    'conduit',
    '1100 mm',
    'rack-room',
    'amp-rack-1',
    '38 mm',
    1,
    [],
    Takes::Mains,
    130,
);
foreach (
    [
        'stage-box-1' => ['stage-pit', '600 mm'],
        'stage-box-2' => ['stage-pit', '1800 mm'],
        'lectern' => ['stage-pit', '2200 mm'],
        'split-panel' => ['stage-pit', '400 mm'],
        'amp-rack-1' => ['rack-room', '800 mm'],
        'media-rack' => ['rack-room', '1 m'],
        'comms-rack' => ['rack-room', '1200 mm'],
        'control-desk' => ['hall-ceiling', '4 m'],
        'front-of-house' => ['hall-ceiling', '5200 mm'],
        'projector-1' => ['hall-ceiling', '2400 mm'],
        'projector-2' => ['hall-ceiling', '6100 mm'],
        'hall-left' => ['hall-ceiling', '3500 mm'],
        'hall-right' => ['hall-ceiling', '7200 mm'],
        'dimmer-room' => ['lobby', '2 m'],
        'foyer' => ['lobby', '3 m'],
        'turbine-gallery' => ['gallery-end', '2500 mm'],
        'tide-model' => ['gallery-end', '1500 mm'],
        'floor-box-1' => ['floor-north', '500 mm'],
        'floor-box-2' => ['floor-north', '3 m'],
        'floor-box-3' => ['floor-south', '500 mm'],
        'floor-box-4' => ['floor-south', '3 m'],
    ] as $place => [$junction, $length]
) {
    $way(
        'to-'.$place,
        'To '.lcfirst($locations[$place]->name ?? $place),
        'free air',
        $length,
        $junction,
        $place,
        takes: Takes::Signal,
    );
}

return [$locations, $junctions, $ways];
