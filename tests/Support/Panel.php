<?php

declare(strict_types=1);

namespace Tests\Support;

use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Topology;

/** A split panel: each input to a fixed tail and, through a ground lift, to an output beside it. */
final class Panel
{
    /** Input n is fitting M-1.a<n>, its tail M-1.b<n>, its output out-<n>, its switch lift-<n>. */
    public static function split(): Bench
    {
        $bench = Bench::of(
            Bench::request(
                'M-1',
                'multicore-8',
                ['analogue'],
                ['xlr3-female-panel-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        );
        $fittings = $bench->installation->fittings();
        $circuits = $bench->installation->circuits();
        [$links, $switches] = [[], []];
        for ($n = 1; $n <= 8; $n++) {
            [$in, $out] = ["M-1.a$n", "out-$n"];
            $fittings[$out] = new Fitting($out, "Out $n", 'xlr3-male-panel', 'here');
            array_push($links, new Link("$in/2", "$out/2"), new Link("$in/3", "$out/3"));
            $switches["lift-$n"] = new PanelSwitch("lift-$n", "Ground lift $n", "$in/1", "$out/1", true);
            $circuits["M-1.c$n"] = new Circuit("M-1.c$n", "Split $n", 'analogue', Topology::Split, $in, "M-1.b$n");
        }

        return $bench->with(fittings: $fittings, circuits: $circuits, links: $links, switches: $switches);
    }
}
