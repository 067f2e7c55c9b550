<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Plan\Proposing\RunRequest;
use Tests\Support\Bench;
use Tests\Support\Share;

/** Cable against connector, judged by hand first. Judgements: common practice. */
final class CompatibilityTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string, string, list<string>}> cable, signal, contact plan, findings of
     *     fit
     */
    public static function judged(): iterable
    {
        $rows = [
            // audio at the bench
            ['pair-foil', 'analogue', 'xlr3-male-cable-balanced', []],
            ['pair-braid', 'analogue', 'xlr3-female-cable-balanced', []],
            ['pair-lapped', 'analogue', 'xlr3-male-cable-balanced', []],
            ['star-quad', 'analogue', 'xlr3-male-cable-balanced', []],
            ['star-quad', 'analogue', 'trs-balanced', []],
            ['pair-foil', 'analogue', 'trs-balanced', []],
            ['pair-foil', 'analogue', 'trs-plug-low-balanced', []],
            ['pair-foil', 'analogue', 'ts-plug-from-balanced', []],
            ['pair-foil-plenum', 'analogue', 'trs-balanced', []],
            ['instrument', 'unbalanced', 'ts-plug-unbalanced', []],
            ['instrument-thin', 'unbalanced', 'ts-plug-low-unbalanced', []],
            ['instrument', 'unbalanced', 'phono-plug-unbalanced', []],
            ['pair-foil', 'analogue', 'terminal3-balanced', []],
            ['multicore-8', 'analogue', 'dsub25-male-aes59', []],
            ['multicore-24', 'analogue', 'rect90-male-24ch', []],
            ['multicore-24', 'analogue', 'rect56-male-16ch', []],
            ['multicore-32', 'analogue', 'rect120-male-32ch', []],
            // parted over two connectors: each takes a bundle of tails, not the sheath
            ['multicore-48', 'analogue', 'rect90-male-24ch', []],
            ['multicore-16', 'analogue', 'dsub25-male-aes59', []],
            ['multicore-8', 'analogue', 'xlr3-male-cable-balanced', []],
            ['digital-pair-110', 'aes3', 'xlr3-male-cable-balanced', []],
            ['pair-braid', 'aes3', 'xlr3-male-cable-balanced', ['run.impedance-unknown']],
            ['data-pair-120', 'aes3', 'xlr3-male-cable-balanced', []],
            ['star-quad', 'aes3', 'xlr3-male-cable-balanced', ['run.impedance-unknown']],
            // data
            ['data-2pair', 'dmx', 'xlr5-male-dmx', []],
            ['data-pair-120', 'rs485', 'terminal3-rs485', []],
            ['data-pair-120', 'rs485', 'dsub9-male-rs485', []],
            ['control-4', 'eia232', 'dsub9-male-eia232', []],
            ['control-8', 'control', 'dsub15-male-control', []],
            // coax
            ['coax-75-mini', 'video', 'bnc75-plug-video', []],
            ['coax-75-standard', 'video', 'bnc75-plug-video', []],
            ['coax-75-12g', 'video', 'bnc75-plug-video', []],
            ['coax-75-plenum', 'video', 'bnc75-plug-video', []],
            [
                'coax-75-lowloss',
                'video',
                'bnc75-plug-video',
                ['fit.entry-too-thick', 'fit.gauge-too-thick', 'fit.ferrule', 'fit.no-procedure'],
            ],
            ['coax-75-lowloss', 'video', 'n75-plug-video', []],
            ['coax-75-standard', 'video', 'f-plug-video', []],
            ['coax-50-standard', 'radio', 'bnc50-plug-radio', []],
            ['coax-50-mini', 'radio', 'bnc50-plug-radio', []],
            ['coax-50-lowloss', 'radio', 'n-plug-radio', []],
            ['coax-50-standard', 'radio', 'n-plug-radio', []],
            [
                'coax-75-standard',
                'radio',
                'bnc50-plug-radio',
                ['fit.entry-too-thick', 'fit.impedance', 'fit.ferrule', 'run.impedance'],
            ],
            ['coax-50-standard', 'video', 'bnc75-plug-video', ['fit.impedance', 'fit.ferrule', 'run.impedance']],
            ['instrument', 'video', 'bnc75-plug-video', ['fit.impedance', 'fit.no-procedure', 'run.impedance']],
            [
                'pair-foil',
                'video',
                'bnc75-plug-video',
                ['fit.entry-too-thin', 'fit.ferrule', 'fit.no-procedure', 'run.impedance-unknown'],
            ],
            // category
            ['cat6-utp', 'network', '8p8c-plug-t568b', []],
            ['cat6-utp', 'network', '8p8c-plug-stranded-t568b', ['fit.strands']],
            ['cat6-utp-stranded', 'network', '8p8c-plug-t568b', ['fit.strands']],
            ['cat6-utp-stranded', 'network', '8p8c-plug-stranded-t568b', []],
            ['cat5e-utp', 'network', '8p8c-jack-t568b', []],
            ['cat5e-utp-stranded', 'network', '8p8c-jack-t568b', ['fit.strands']],
            ['cat6a-futp', 'network', '8p8c-jack-screened-t568b', []],
            ['cat6a-futp', 'network', '8p8c-jack-t568b', ['fit.screen-nowhere']],
            ['cat6a-futp', 'network', '8p8c-plug-t568b', ['fit.entry-too-thick', 'fit.screen-nowhere']],
            ['cat6a-sftp', 'network', '8p8c-plug-screened-t568b', []],
            ['cat6a-sftp-stranded', 'network', '8p8c-plug-screened-stranded-t568b', []],
            ['cat6a-two-sheath', 'network', '8p8c-jack-screened-t568b', []],
            ['cat6a-two-sheath', 'network', '8p8c-plug-screened-t568b', ['fit.entry-too-thick', 'fit.no-procedure']],
            ['cat7a-sftp', 'network', 'cat7a-jack-t568b', []],
            ['cat7a-sftp', 'network', '8p8c-plug-screened-t568b', ['fit.gauge-too-thick']],
            [
                'cat6-utp',
                'network',
                'cat7a-jack-t568b',
                ['fit.entry-too-thin', 'fit.screen-missing', 'fit.no-procedure'],
            ],
            ['cat6a-utp', 'network', '8p8c-jack-t568b', []],
            // power
            ['loudspeaker-2', 'loudspeaker', 'speaker4-cable-1', []],
            ['loudspeaker-2-heavy', 'loudspeaker', 'speaker4-cable-1', []],
            ['loudspeaker-4', 'loudspeaker', 'speaker4-cable-2', []],
            ['loudspeaker-2', 'loudspeaker', 'speaker4-panel-1', []],
        ];
        foreach ($rows as $row) {
            yield implode(' ', array_slice($row, 0, 3)) => $row;
        }
    }

    /** @param  list<string>  $expected */
    #[DataProvider('judged')]
    public function test_a_pair_of_cable_and_connector_is_judged_as_a_technician_would(
        string $cable,
        string $signal,
        string $plan,
        array $expected,
    ): void {
        self::assertEqualsCanonicalizing(
            $expected,
            self::codes(Bench::of(Bench::request('X-1', $cable, [$signal], [$plan], []))),
        );
    }

    /** @return iterable<string, array{string, mixed, string, string, string, list<string>}> */
    public static function moved(): iterable
    {
        $mic = ['pair-foil', 'analogue', 'xlr3-male-cable-balanced'];
        $coax = ['coax-75-standard', 'video', 'bnc75-plug-video'];
        $rect = ['multicore-24', 'analogue', 'rect90-male-24ch'];
        $cat = ['cat6-utp', 'network', '8p8c-plug-t568b'];
        $xlr = 'connectors.xlr3-male-cable.cable';
        yield 'entry too narrow' => [$xlr.'.entry', ['2 mm', '3 mm'], ...$mic, ['fit.entry-too-thick']];
        yield 'entry too wide' => [$xlr.'.entry', ['4 mm', '8 mm'], ...$mic, ['fit.entry-too-thin']];
        yield 'narrow chuck for thicker cable only' => [
            'parts.chuck-narrow.grips',
            ['4 mm', '5.5 mm'],
            ...$mic,
            ['fit.chuck'],
        ];
        yield 'cups for thin wire' => [
            $xlr.'.terminals.0.gauge',
            ['32 AWG', '26 AWG'],
            ...$mic,
            ['fit.gauge-too-thick'],
        ];
        yield 'cups for thick wire' => [
            $xlr.'.terminals.0.gauge',
            ['20 AWG', '14 AWG'],
            ...$mic,
            ['fit.gauge-too-thin'],
        ];
        yield 'cups for solid wire' => [$xlr.'.terminals.0.strands', 'solid', ...$mic, ['fit.strands']];
        yield 'no place for a screen' => [$xlr.'.screen', 'nowhere', ...$mic, ['fit.screen-nowhere']];
        yield 'no procedure for such a cable' => [
            $xlr.'.procedures',
            ['coax' => 'bnc-crimp'],
            ...$mic,
            ['fit.no-procedure'],
        ];
        yield 'a cable that prepares otherwise' => [
            'cables.pair-foil.construction.prepares',
            'four-pair',
            ...$mic,
            ['fit.no-procedure'],
        ];
        yield 'a thicker cable' => ['cables.pair-foil.outerDiameter', '8.5 mm', ...$mic, ['fit.entry-too-thick']];
        yield 'a thicker core' => [
            'cables.pair-foil.construction.children.0.children.0.gauge',
            '14 AWG',
            ...$mic,
            ['fit.gauge-too-thick'],
        ];
        yield 'connector of another impedance' => ['connectors.bnc75-plug.impedance', 50, ...$coax, ['fit.impedance']];
        yield 'dielectric of another thickness' => [
            'cables.coax-75-standard.construction.children.0.children.0.diameter',
            '2.4 mm',
            ...$coax,
            ['fit.impedance', 'run.impedance'],
        ];
        yield 'dielectric of another material' => [
            'cables.coax-75-standard.construction.children.0.children.0.permittivity',
            4.0,
            ...$coax,
            ['fit.impedance', 'run.impedance'],
        ];
        yield 'signal of another impedance' => ['signals.video.impedance', 50, ...$coax, ['run.impedance']];
        yield 'a jacket that no ferrule is for' => [
            'cables.coax-75-standard.jacket',
            'thin',
            ...$coax,
            ['fit.ferrule-jacket'],
        ];
        yield 'ferrule of another size' => [
            'parts.ferrule-coax-standard.grips',
            ['6.2 mm', '6.4 mm'],
            ...$coax,
            ['fit.ferrule'],
        ];
        yield 'contacts for thicker wire, both' => [
            'parts',
            ['contact-rect-male' => ['20 AWG', '18 AWG'], 'contact-rect-male-fine' => ['30 AWG', '28 AWG']],
            ...$rect,
            ['fit.contact-gauge'],
        ];
        yield 'blades for stranded wire' => [
            'connectors.8p8c-plug.cable.terminals.0.strands',
            'stranded',
            ...$cat,
            ['fit.strands'],
        ];
        yield 'a cable of stranded wire' => [
            'cables.cat6-utp.construction.children.0.children.0.strands',
            7,
            ...$cat,
            ['fit.strands'],
        ];
        yield 'pairs of another impedance' => [
            'cables.cat6-utp.construction.children',
            150,
            ...$cat,
            ['run.impedance'],
        ];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('moved')]
    public function test_one_attribute_out_of_range_adds_exactly_its_finding(
        string $path,
        mixed $value,
        string $cable,
        string $signal,
        string $plan,
        array $expected,
    ): void {
        $bench = Bench::of(Bench::request('X-1', $cable, [$signal], [$plan], []));
        self::assertSame([], self::codes($bench), 'sound before');
        $edits = match (true) {
            $path === 'parts' && is_array($value) => array_combine(
                array_map(static fn (string $id): string => "parts.$id.gauge", array_keys($value)),
                array_values($value),
            ),
            $path === 'cables.cat6-utp.construction.children' => array_fill_keys(
                array_map(static fn (int $n): string => "$path.$n.impedance", range(0, 3)),
                $value,
            ),
            default => [$path => $value],
        };
        self::assertEqualsCanonicalizing($expected, self::codes($bench->withCatalogueEdited($edits)));
    }

    public function test_a_chosen_part_stands_in_for_the_usual_one(): void
    {
        $bench = Bench::of(Bench::request('M-1', 'multicore-24', ['analogue'], ['rect90-male-24ch'], []));
        self::assertSame(
            ['fit.contact-gender'],
            self::codes($bench->withFitting('M-1.a1', parts: ['contact-rect-female'])),
        );
        $mic = Bench::of(Bench::request('A-1', 'pair-foil', ['analogue'], ['xlr3-male-cable-balanced'], []));
        self::assertSame(['fit.chuck'], self::codes($mic->withFitting('A-1.a1', parts: ['chuck-wide'])));
        $coax = Bench::of(Bench::request('V-1', 'coax-75-plenum', ['video'], ['bnc75-plug-video'], []));
        self::assertSame(['fit.ferrule'], self::codes($coax->withFitting('V-1.a1', parts: ['ferrule-coax-large'])));
    }

    public function test_a_moulded_boot_does_not_enter_a_bay_for_bare_plugs(): void
    {
        $bench = Bench::of(Bench::request('C-1', 'cat6-utp', ['network'], ['modular-frame-4-mixed'], []));
        self::assertNotContains('fitting.insert', Bench::codes($bench->plan()->findings()));
        $inserts = $bench->installation->fittings()['C-1.a1']->inserts;
        $booted = $bench->withFitting('C-1.a1', inserts: ['3/p' => '8p8c-plug-booted'] + $inserts)->plan();
        $finding = array_values(
            array_filter(
                $booted->findings(),
                static fn (Finding $finding): bool => $finding->code === 'fitting.insert',
            ),
        )[0];
        self::assertStringContainsString('moulded', $finding->words);
    }

    public function test_what_is_made_for_solid_has_its_bays_filled_by_family(): void
    {
        $bench = Bench::of(Bench::request('C-1', 'cat6-utp', ['network'], ['modular-frame-4-mixed'], []));
        $wrong = $bench->withFitting('C-1.a1', inserts: ['2' => 'modular-insert-coax-2-female']);
        self::assertContains('fitting.insert', Bench::codes($wrong->plan()->findings()));
    }

    public function test_equal_tails_are_named_together(): void
    {
        foreach (['multicore-8' => 'legs 1 to 8', 'multicore-4' => 'legs 1 to 4'] as $cable => $legs) {
            $bench = Bench::of(
                Bench::request('M-1', $cable, ['analogue'], ['xlr3-male-cable-balanced'], []),
            )->withCatalogueEdited(['connectors.xlr3-male-cable.cable.entry' => ['4 mm', '8 mm']]);
            $found = array_values(
                array_filter(
                    $bench->plan()->findings(),
                    static fn (Finding $finding): bool => $finding->code === 'fit.entry-too-thin',
                ),
            );
            self::assertCount(1, $found);
            self::assertStringContainsString($legs, $found[0]->words);
            self::assertStringContainsString('2.8 mm', $found[0]->words);
        }
    }

    public function test_local_code_may_ask_for_a_fire_class(): void
    {
        $bench = Bench::of(
            Bench::request('A-1', 'pair-foil', ['analogue'], ['xlr3-male-cable-balanced'], []),
        )->withFireClass('here', 'air-handling');
        self::assertSame(['run.fire-class'], self::codes($bench));
        $plenum = Bench::of(
            Bench::request('A-1', 'pair-foil-plenum', ['analogue'], ['xlr3-male-cable-balanced'], []),
        )->withFireClass('here', 'air-handling');
        self::assertSame([], self::codes($plenum));
    }

    public function test_every_finding_of_fit_says_what_to_do(): void
    {
        foreach (self::judged() as [$cable, $signal, $plan]) {
            foreach (Bench::of(Bench::request('X-1', $cable, [$signal], [$plan], []))->plan()->findings() as $finding) {
                self::assertNotSame('', $finding->remedy);
                self::assertStringEndsWith('.', $finding->words);
            }
        }
    }

    /** A procedure for whatever goes together: so says the catalogue, not a hope. */
    #[Group('long')]
    public function test_whatever_fits_has_a_procedure(): void
    {
        $catalogue = ShippedCatalogue::load();
        $made = 0;
        foreach ($catalogue->plans() as $plan) {
            foreach ($catalogue->signals() as $signal) {
                if ($plan->byScheme !== [] || $plan->channelsFor($signal) === []) {
                    continue;
                }
                foreach ($catalogue->cables() as $cable) {
                    if (! Share::isDrawn("{$plan->id} {$signal->id} {$cable->id}", 4)) {
                        continue;
                    }
                    try {
                        $bench = Bench::of(Bench::request('X-1', $cable->id, [$signal->id], [$plan->id], []));
                    } catch (\DomainException) {
                        continue;
                    }
                    if (self::codes($bench) !== []) {
                        continue;
                    }
                    foreach ($bench->installation->runs()['X-1']->a->legs as $leg) {
                        $layout = \Sartal\Core\Ends\Wiring\FittingLayout::unfolded(
                            $bench->installation->fittings()[$leg->landing->fitting ?? ''],
                            $catalogue,
                        );
                        $address = $plan->channels[$plan->channelsFor($signal)[0]][$signal->functions[0]->name];
                        $named = $layout?->typeAt($address)->cable->procedures[$cable->prepares($leg->elements[0])] ??
                            '';
                        self::assertNotNull($catalogue->procedure($named), $cable->id.' in '.$plan->id);
                        $made++;
                        break;
                    }
                }
            }
        }
        self::assertGreaterThan(Share::least(250, 4), $made);
    }

    /** One end T568A and the other T568B is pairs 2 and 3 transposed: ANSI/TIA-568. */
    public function test_mixed_ends_are_named_as_a_crossover(): void
    {
        $crossed = static fn (Bench $bench): array => array_values(
            array_filter(
                $bench->plan()->findings(),
                static fn (Finding $finding): bool => $finding->code === 'run.crossed',
            ),
        );
        $mixed = $crossed(Bench::category('8p8c-plug-t568a'));
        self::assertCount(1, $mixed);
        foreach (
            ['2a is on 1 and on 3', '2b is on 2 and on 6', '3a is on 3 and on 1', '3b is on 6 and on 2'] as $words
        ) {
            self::assertStringContainsString($words, $mixed[0]->words);
        }
        self::assertSame([], $crossed(Bench::category()));
        self::assertSame([], $crossed(Bench::microphone()));
        self::assertSame([], $crossed(Bench::stageBox()), 'other contacts are no crossover');
        self::assertCount(
            1,
            $crossed(
                Bench::of(
                    Bench::request('D-1', 'control-8', ['eia232'], ['dsub9-male-eia232'], ['dsub9-female-null-modem']),
                ),
            ),
        );
    }

    /** Balanced to unbalanced: cold and screen meet on the sleeve, on purpose. Common practice. */
    public function test_balanced_to_unbalanced_joins_cold_and_screen(): void
    {
        $bench = Bench::of(
            Bench::request('A-1', 'pair-foil', ['analogue'], ['xlr3-female-cable-balanced'], ['ts-plug-from-balanced']),
        );
        $lights = $bench->expectation()->reading->lights;
        self::assertSame(['t:A-1.b1/tip'], $lights['t:A-1.a1/2']);
        self::assertSame(['t:A-1.b1/sleeve'], $lights['t:A-1.a1/3']);
        self::assertSame(['t:A-1.b1/sleeve'], $lights['t:A-1.a1/1']);
        self::assertNotContains('contact.two-functions', Bench::codes($bench->plan()->findings()));
        self::assertContains(
            'contact.two-functions',
            Bench::codes($bench->withFitting('A-1.b1', shared: [])->plan()->findings()),
        );
    }

    public function test_of_a_withdrawn_run_nothing_is_said_and_of_those_after_it_everything(): void
    {
        $mic = static fn (string $id): RunRequest => Bench::request(
            $id,
            'pair-foil',
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            ['xlr3-male-cable-balanced'],
        );
        $bench = Bench::of($mic('A-1'), $mic('A-2'))
            ->withFitting('A-1.a1', exit: 'roof')
            ->withFitting('A-2.a1', exit: 'roof');
        $about = static fn (Bench $bench): array => array_values(
            array_map(
                static fn (Finding $finding): string => $finding->subject->id,
                array_filter(
                    $bench->plan()->findings(),
                    static fn (Finding $finding): bool => $finding->code === 'fitting.exit',
                ),
            ),
        );
        self::assertEqualsCanonicalizing(['A-1.a1', 'A-2.a1'], $about($bench));
        $run = $bench->installation->runs()['A-1'];
        $gone = new Run(...['withdrawn' => true] + get_object_vars($run));
        self::assertSame(['A-2.a1'], $about($bench->withRun($gone)));
    }

    public function test_what_a_connector_does_not_offer_cannot_be_chosen(): void
    {
        $codes = static fn (mixed ...$changes): array => Bench::codes(
            Bench::stageBox()->withFitting('M-1.b1', ...$changes)->plan()->findings(),
        );
        self::assertContains('fitting.exit', $codes(exit: 'roof'));
        self::assertContains('fitting.clocking', $codes(clocking: 45));
        self::assertContains('fitting.unknown-part', $codes(parts: ['nothing']));
        self::assertSame(
            [],
            array_filter(
                $codes(exit: 'left side', parts: ['contact-rect-male']),
                static fn (string $code): bool => str_starts_with($code, 'fitting.'),
            ),
        );
    }

    /** @return list<string> */
    private static function codes(Bench $bench): array
    {
        return array_values(
            array_unique(
                array_filter(
                    Bench::codes($bench->plan()->findings()),
                    static fn (string $code): bool => str_starts_with($code, 'fit.') ||
                        in_array($code, ['run.impedance', 'run.impedance-unknown', 'run.fire-class'], true),
                ),
            ),
        );
    }
}
