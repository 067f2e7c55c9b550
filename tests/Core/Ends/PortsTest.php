<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Level;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\PortDirection;
use Sartal\Core\Given\Installation\Topology;
use Sartal\Core\Plan\Proposing\RunRequest;
use Tests\Support\Bench;

/** What is plugged into what: direction, level, signal, gender, and what stays free. */
final class PortsTest extends TestCase
{
    /** A microphone line from one device's port to another's. */
    private static function line(Port $out, Port $in): Bench
    {
        return Bench::microphone()->with(
            equipment: [
                'one' => new Equipment('one', 'Radio receiver', 'here', [$out]),
                'two' => new Equipment('two', 'Mixer', 'there', [$in]),
            ],
            matings: [new Mating('A-1.a1', 'one:'.$out->id), new Mating('A-1.b1', 'two:'.$in->id)],
        );
    }

    private static function port(
        string $id,
        string $gender,
        PortDirection $direction,
        Level $level,
        string $signal = 'analogue',
    ): Port {
        return new Port($id, $id, "xlr3-$gender-panel", "xlr3-$gender-panel-balanced", $direction, $signal, $level);
    }

    /** @return list<string> */
    private static function codes(Bench $bench): array
    {
        return array_values(
            array_filter(
                Bench::codes($bench->plan()->findings()),
                static fn (string $code): bool => str_starts_with($code, 'port.') || str_starts_with($code, 'mating.'),
            ),
        );
    }

    public function test_output_to_input_of_one_level_is_as_it_should_be(): void
    {
        self::assertSame(
            [],
            self::codes(
                self::line(
                    self::port('out', 'male', PortDirection::Out, Level::Line),
                    self::port('in', 'female', PortDirection::In, Level::Line),
                ),
            ),
        );
    }

    public function test_levels_that_differ_are_named_and_a_loudspeaker_output_stops(): void
    {
        $in = self::port('in', 'female', PortDirection::In, Level::Microphone);
        self::assertSame(
            ['port.level'],
            self::codes(self::line(self::port('out', 'male', PortDirection::Out, Level::Line), $in)),
        );
        $speaker = self::line(self::port('out', 'male', PortDirection::Out, Level::Speaker), $in)->plan()->findings();
        self::assertSame(
            'stop',
            array_values(
                array_filter($speaker, static fn (Finding $finding): bool => $finding->code === 'port.level'),
            )[0]->severity->value,
        );
    }

    public function test_two_outputs_two_inputs_and_another_signal(): void
    {
        $out = self::port('out', 'male', PortDirection::Out, Level::Line);
        self::assertSame(
            ['port.two-outputs'],
            self::codes(self::line($out, self::port('in', 'female', PortDirection::Out, Level::Line))),
        );
        self::assertSame(
            ['port.no-source'],
            self::codes(
                self::line(
                    self::port('out', 'male', PortDirection::In, Level::Line),
                    self::port('in', 'female', PortDirection::In, Level::Line),
                ),
            ),
        );
        self::assertSame(
            ['port.signal'],
            self::codes(self::line($out, self::port('in', 'female', PortDirection::In, Level::Line, 'aes3'))),
        );
    }

    public function test_the_wrong_gender_names_what_would_fit(): void
    {
        $plan = self::line(
            self::port('out', 'female', PortDirection::Out, Level::Line),
            self::port('in', 'female', PortDirection::In, Level::Line),
        )->plan();
        $finding = array_values(
            array_filter(
                $plan->findings(),
                static fn (Finding $finding): bool => $finding->code === 'mating.does-not-fit',
            ),
        )[0];
        self::assertStringContainsString('3-pole circular audio, male, cable', $finding->remedy);
    }

    public function test_a_port_used_twice_and_ports_that_stay_free(): void
    {
        $bench = Bench::microphone();
        $two = $bench->with(
            equipment: [
                'one' => new Equipment('one', 'Mixer', 'there', [
                    self::port('in', 'female', PortDirection::In, Level::Microphone),
                    self::port('spare', 'female', PortDirection::In, Level::Microphone),
                ]),
            ],
            matings: [new Mating('A-1.b1', 'one:in'), new Mating('A-1.b1', 'one:in')],
        );
        self::assertSame(['mating.taken', 'port.spare'], self::codes($two));
    }

    public function test_impedances_that_mate_and_do_not_match_are_named(): void
    {
        $bench = Bench::coax()->with(
            equipment: [
                'one' => new Equipment('one', 'Analyser', 'there', [
                    new Port('in', 'in', 'bnc50-panel', 'bnc50-panel-radio'),
                ]),
            ],
            matings: [new Mating('V-1.b1', 'one:in')],
        );
        self::assertSame(['mating.impedance'], self::codes($bench));
    }

    public function test_a_chain_says_where_it_ends(): void
    {
        $dmx = Bench::of(Bench::request('D-1', 'data-2pair', ['dmx'], ['xlr5-male-dmx'], ['xlr5-female-dmx']));
        self::assertContains('chain.no-terminator', Bench::codes($dmx->plan()->findings()));
        self::assertNotContains(
            'chain.no-terminator',
            Bench::codes($dmx->withCircuit('D-1.c1', terminator: 'D-1.b1')->plan()->findings()),
        );
        $own = $dmx->with(
            equipment: [
                'dimmer' => new Equipment('dimmer', 'Dimmer', 'there', [
                    new Port(
                        'in',
                        'in',
                        'xlr5-male-panel',
                        'xlr5-male-panel-dmx',
                        PortDirection::In,
                        'dmx',
                        terminates: true,
                    ),
                ]),
            ],
            matings: [new Mating('D-1.b1', 'dimmer:in')],
        );
        self::assertNotContains('chain.no-terminator', Bench::codes($own->plan()->findings()));
    }

    /** Runs that all meet at the first one's far terminal. */
    private static function meeting(string ...$others): Bench
    {
        $bench = Bench::of(
            ...array_map(
                static fn (string $code): RunRequest => Bench::request(
                    $code,
                    'data-pair-120',
                    ['rs485'],
                    ['terminal3-rs485'],
                    ['terminal3-rs485'],
                ),
                ['D-1', ...array_values($others)],
            ),
        );
        $shape = json_decode(
            (string) json_encode(\Sartal\Core\File\FileEncoder::installation($bench->installation)),
            true,
        );
        foreach ($shape['runs'] as &$run) {
            if (in_array($run['id'], $others, true)) {
                $run['a']['legs'][0]['landing']['fitting'] = 'D-1.b1';
                $run['carries'][0]['circuit'] = 'D-1.c1';
            }
        }
        unset($run);
        foreach ($shape['fittings'] as &$fitting) {
            if ($fitting['id'] === 'D-1.b1') {
                $fitting['shared'] = ['1', '2', '3'];
            }
        }
        unset($fitting);
        $problems = new \Sartal\Core\File\Problems();
        $joined = \Sartal\Core\File\FileDecoder::installation(\Sartal\Core\File\Fields::from($shape, '', $problems));
        $problems->settle();

        return $bench->with(runs: $joined->runs(), fittings: $joined->fittings());
    }

    public function test_data_may_run_on_through_a_terminal_as_a_daisy_chain(): void
    {
        $chained = self::meeting('D-2');
        self::assertContains('join.not-chain', Bench::codes($chained->plan()->findings()));
        self::assertNotContains(
            'join.not-chain',
            Bench::codes($chained->withCircuit('D-1.c1', topology: Topology::DaisyChain)->plan()->findings()),
        );
    }

    /** Common practice; TIA-485: a line is one chain, and a branch of it reflects. */
    public function test_a_y_is_no_daisy_chain_whatever_it_is_called(): void
    {
        $branched = self::meeting('D-2', 'D-3')->withCircuit('D-1.c1', topology: Topology::DaisyChain);
        $findings = array_values(
            array_filter(
                $branched->plan()->findings(),
                static fn (Finding $finding): bool => $finding->code === 'join.not-chain',
            ),
        );
        self::assertCount(1, $findings);
        self::assertStringContainsString('3 cables of it meet in one place', $findings[0]->words);
    }
}
