<?php

declare(strict_types=1);

/* What is on the demo's shelf, and what things cost there: round invented figures. */

use Sartal\Core\Given\Installation\Economy;
use Sartal\Core\Given\Installation\JacketMarks;
use Sartal\Core\Given\Installation\MarkUnit;
use Sartal\Core\Given\Installation\Reel;
use Sartal\Core\Given\Measure\Length;

$reels = [];
foreach (
    [
        'R-01' => ['multicore-24', 62, false, [MarkUnit::Metre, true, 138.0]],
        'R-02' => ['pair-foil', 214, false, [MarkUnit::Metre, false, 214.0]],
        'R-03' => ['coax-75-12g', 100, false, [MarkUnit::Metre, true, 0.0]],
        'R-04' => ['cat6a-futp', 305, false, [MarkUnit::Foot, false, 1000.0]],
        'R-05' => ['cat6-utp', 96, false, [MarkUnit::Foot, false, 315.0]],
        'R-06' => ['multicore-8', 50, false, null],
        'O-11' => ['coax-75-12g', 38, true, [MarkUnit::Metre, true, 262.0]],
        'O-12' => ['coax-75-mini', 33, true, null],
        'O-13' => ['pair-foil', 31, true, null],
        'O-14' => ['data-2pair', 4, true, null],
    ] as $id => [$cable, $metres, $offcut, $marks]
) {
    $reels[$id] = new Reel(
        $id,
        $cable,
        Length::metres($metres),
        $offcut,
        $marks === null ? null : new JacketMarks(...$marks),
    );
}
$economy = new Economy(
    'EUR',
    48.0,
    5.0,
    [
        'multicore-24' => 9.8,
        'multicore-8' => 4.1,
        'pair-foil' => 0.62,
        'star-quad' => 1.25,
        'digital-pair-110' => 1.1,
        'coax-75-12g' => 1.9,
        'coax-75-mini' => 0.95,
        'data-2pair' => 1.35,
        'data-pair-120' => 1.05,
        'cat6a-futp' => 0.88,
        'cat6-utp' => 0.52,
        'loudspeaker-2' => 2.2,
        'loudspeaker-4' => 4.0,
        'composite' => 6.4,
        'xlr3-female-cable' => 3.4,
        'xlr3-male-cable' => 3.1,
        'xlr3-female-panel' => 3.9,
        'xlr3-male-panel' => 3.6,
        'xlr5-male-cable' => 5.2,
        'xlr5-female-cable' => 5.6,
        'bnc75-plug' => 4.2,
        'rect90-male' => 46.0,
        'dsub25-male' => 3.8,
        '8p8c-jack-screened' => 6.1,
        '8p8c-jack' => 4.4,
        '8p8c-plug' => 0.7,
        'speaker4-cable' => 4.6,
        'contact-rect-male' => 38.0,
        'contact-rect-male-fine' => 38.0,
        'hood-rect90' => 31.0,
        'label-wrap-s' => 19.0,
        'tie-hook' => 14.0,
        'sleeve-20' => 42.0,
        'sleeve-6' => 19.0,
        'sleeve-12' => 28.0,
        'sleeve-32' => 66.0,
        'breakout-24' => 11.5,
        'breakout-8' => 6.2,
        'label-flag' => 17.0,
        'label-wrap-l' => 24.0,
        'solder-leadfree' => 21.0,
        'screw-m3' => 4.5,
        'nut-m3' => 3.8,
        'ferrule-coax-large' => 3.5,
        'ferrule-coax-mini' => 3.5,
        'hood-dsub25' => 9.5,
        'jackscrew' => 6.0,
        'shrink-2to1-9-5' => 1.4,
        'shrink-2to1-19' => 2.2,
        'shrink-2to1-25' => 2.9,
        'shrink-2to1-38' => 4.1,
        'terminal3-plug' => 1.6,
        'bootlace-0-5' => 2.9,
        'bootlace-1-5' => 3.2,
        'bootlace-2-5' => 3.4,
        'terminator-rs485' => 5.5,
        'terminator-dmx' => 7.5,
        'power-in-cable' => 7.9,
        'power-out-cable' => 7.9,
    ],
    ['xlr3-female-cable' => 6, 'bnc75-plug' => 4, 'boot-3pole-black' => 20, 'tie-hook' => 120],
    ['M-201' => 640.0, 'A-114' => 62.0, 'V-401' => 92.0, 'C-442' => 6.5],
);

return [$reels, $economy];
