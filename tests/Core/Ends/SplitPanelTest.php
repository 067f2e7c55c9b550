<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use PHPUnit\Framework\TestCase;
use Tests\Support\Bench;
use Tests\Support\Panel;

/** A split panel's netlist, its test states, and what phantom power asks of it. */
final class SplitPanelTest extends TestCase
{
    public function test_each_input_reaches_its_tail_and_its_output(): void
    {
        $lights = Panel::split()->expectation()->reading->lights;
        foreach (['1', '2', '3'] as $contact) {
            self::assertSame(
                ["t:M-1.b4/$contact"],
                array_values(
                    array_filter(
                        $lights["t:M-1.a4/$contact"],
                        static fn (string $node): bool => str_starts_with($node, 't:M-1.b'),
                    ),
                ),
            );
        }
        self::assertSame(['t:M-1.b4/2'], $lights['t:out-4/2'], 'an output is on the panel’s side and reads the tail');
    }

    public function test_the_states_are_the_baseline_and_each_lift_alone(): void
    {
        $bench = Panel::split();
        $plan = $bench->plan();
        $states = $bench->assemblies($plan)->states($plan->assemblies['M-1']);
        self::assertSame(
            ['at rest', ...array_map(static fn (int $n): string => "Ground lift $n operated", range(1, 8))],
            array_map(static fn (array $state): string => $state[0]->name, $states),
        );
        $rest = $states[0][1]->reading->lights;
        self::assertSame(['t:M-1.b3/1'], $rest['t:out-3/1']);
        foreach (range(1, 8) as $n) {
            $lifted = $states[$n][1]->reading->lights;
            self::assertSame([], $lifted["t:out-$n/1"], 'lifted');
            unset($rest["t:out-$n/1"], $lifted["t:out-$n/1"]);
            self::assertSame($rest, $lifted, 'nothing else changes with lift '.$n);
            $rest = $states[0][1]->reading->lights;
        }
    }

    public function test_a_muting_plug_is_tested_idle_and_pressed(): void
    {
        $bench = Bench::of(
            Bench::request('A-1', 'instrument', ['unbalanced'], ['ts-plug-mute-unbalanced'], ['ts-plug-unbalanced']),
        );
        $plan = $bench->plan();
        $states = $bench->assemblies($plan)->states($plan->assemblies['A-1']);
        self::assertCount(2, $states);
        self::assertSame(
            ['t:A-1.b1/sleeve', 't:A-1.b1/tip'],
            $states[0][1]->reading->lights['t:A-1.a1/tip'],
            'idle: tip on sleeve',
        );
        self::assertSame(['t:A-1.b1/tip'], $states[1][1]->reading->lights['t:A-1.a1/tip'], 'pressed: open');
    }

    public function test_the_leg_that_feeds_phantom_power_has_no_switch_in_its_screen(): void
    {
        self::assertNotContains('phantom.lifted', Bench::codes(Panel::split()->plan()->findings()));
        self::assertNotContains('phantom.open', Bench::codes(Panel::split()->plan()->findings()));
        $through = Panel::split()->withCircuit('M-1.c3', phantom: 'out-3')->plan()->findings();
        self::assertSame(
            ['phantom.lifted'],
            array_values(
                array_filter(
                    Bench::codes($through),
                    static fn (string $code): bool => str_starts_with($code, 'phantom'),
                ),
            ),
        );
    }

    public function test_a_screen_left_open_starves_a_microphone(): void
    {
        $bench = Bench::microphone()->withCircuit('A-1.c1', phantom: 'A-1.b1');
        self::assertNotContains('phantom.open', Bench::codes($bench->plan()->findings()));
        $telescoping = $bench->with(
            rules: $bench->installation->rules()->with(\Sartal\Core\Given\Schools\ShellBond::OneEnd),
        );
        self::assertContains('phantom.open', Bench::codes($telescoping->plan()->findings()));
    }

    public function test_a_microphone_may_split_and_data_may_not(): void
    {
        self::assertNotContains('join.not-split', Bench::codes(Panel::split()->plan()->findings()));
        foreach (['aes3', 'video', 'network'] as $signal) {
            self::assertContains(
                'join.not-split',
                Bench::codes(Panel::split()->withCircuit('M-1.c5', signal: $signal)->plan()->findings()),
                $signal,
            );
        }
    }

    public function test_a_jumper_takes_room_in_a_cup_like_any_wire(): void
    {
        $codes = Bench::codes(
            Panel::split()
                ->withCatalogueEdited(['connectors.xlr3-female-panel.cavities.1.wires' => 1])
                ->plan()->findings(),
        );
        self::assertContains('contact.too-many-wires', $codes);
        self::assertNotContains('contact.too-many-wires', Bench::codes(Panel::split()->plan()->findings()));
    }

    /** n channels in and out of a split panel need 2n panel connectors: common practice. */
    public function test_sixteen_channels_take_thirty_two_panel_connectors(): void
    {
        $file = \Sartal\Core\File\InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        );
        $panel = array_filter(
            $file->installation->fittings(),
            static fn ($fitting): bool => $fitting->location === 'split-panel',
        );
        self::assertCount(32, $panel);
    }
}
