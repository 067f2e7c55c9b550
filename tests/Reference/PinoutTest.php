<?php

declare(strict_types=1);

namespace Tests\Reference;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Side;
use Tests\Support\Bench;

/** The shipped plans and cables together, as joints at an end, against published pinouts. */
final class PinoutTest extends TestCase
{
    /** @return array<array-key, string> address → colour of the core that lands there */
    private static function colours(Bench $bench, Side $side = Side::B): array
    {
        $plan = $bench->plan();
        $run = $bench->installation->runs()[array_key_first($plan->runs->all())];
        $cable = $bench->installation->catalogue->cables()[$run->cable];
        $colours = [];
        foreach ($plan->runs[$run->id]->end($side)->joints as $joint) {
            $colours[$joint->address()] = $cable->element($joint->conductor)->colour ?? '';
        }
        ksort($colours, SORT_NATURAL);

        return $colours;
    }

    /** ANSI/TIA-568. */
    public function test_t568b(): void
    {
        self::assertSame(
            ['white/orange', 'orange', 'white/green', 'blue', 'white/blue', 'green', 'white/brown', 'brown'],
            array_values(self::colours(Bench::category('8p8c-plug-t568b'))),
        );
    }

    /** ANSI/TIA-568. */
    public function test_t568a(): void
    {
        self::assertSame(
            ['white/green', 'green', 'white/orange', 'blue', 'white/blue', 'orange', 'white/brown', 'brown'],
            array_values(self::colours(Bench::category('8p8c-plug-t568a'))),
        );
    }

    /** ANSI/TIA-568: pair 1 blue, 2 orange, 3 green, 4 brown. */
    public function test_pair_numbers(): void
    {
        $cable = ShippedCatalogue::load()->cables()['cat6-utp'];
        foreach (['blue', 'orange', 'green', 'brown'] as $i => $colour) {
            self::assertSame($colour, $cable->element('p'.($i + 1).'/b')?->colour);
            self::assertSame('white/'.$colour, $cable->element('p'.($i + 1).'/a')?->colour);
        }
    }

    /** AES59 (from memory). */
    public function test_eight_channels_on_25_contacts(): void
    {
        $bench = Bench::of(
            Bench::request('M-1', 'multicore-8', ['analogue'], ['xlr3-female-cable-balanced'], ['dsub25-male-aes59']),
        );
        $published = [
            1 => [24, 12, 25],
            2 => [10, 23, 11],
            3 => [21, 9, 22],
            4 => [7, 20, 8],
            5 => [18, 6, 19],
            6 => [4, 17, 5],
            7 => [15, 3, 16],
            8 => [1, 14, 2],
        ];
        $found = [];
        foreach ($bench->plan()->runs['M-1']->end(Side::B)->joints as $joint) {
            $found[(int) $joint->channel][$joint->function] = (int) $joint->address();
        }
        foreach ($published as $channel => [$hot, $cold, $screen]) {
            self::assertSame(['hot' => $hot, 'cold' => $cold, 'screen' => $screen], $found[$channel]);
        }
        self::assertNotContains(13, array_merge(...array_map(array_values(...), $found)));
    }

    /** IEC 60268-12, AES14: 1 screen, 2 hot, 3 cold. */
    public function test_three_poles(): void
    {
        foreach (Bench::microphone()->plan()->runs['A-1']->end(Side::A)->joints as $joint) {
            self::assertSame(['screen' => '1', 'hot' => '2', 'cold' => '3'][$joint->function], $joint->address());
        }
    }

    /** ANSI E1.11. */
    public function test_dmx(): void
    {
        $plan = ShippedCatalogue::load()->plans()['xlr5-male-dmx'];
        self::assertSame(
            ['data 1-' => '2', 'data 1+' => '3', 'data 2-' => '4', 'data 2+' => '5', 'common' => '1'],
            $plan->channels['1'],
        );
    }

    /** @return iterable<string, array{string, bool}> */
    public static function threePoles(): iterable
    {
        yield 'male, mating face' => ['xlr3-male-cable', true];
        yield 'female, wiring side is its mate\'s mirror' => ['xlr3-female-cable', false];
    }

    /**
     * Common practice: contact 3 alone on its side. Male, mating face, 3 at the
     * bottom: 1 upper left, 2 upper right; the female is the mirror of it.
     */
    #[DataProvider('threePoles')]
    public function test_three_pole_orientation(string $type, bool $oneLeftOnFace): void
    {
        $at = [];
        foreach (ShippedCatalogue::load()->connectors()[$type]->cavities as $cavity) {
            $at[$cavity->address] = $cavity;
        }
        self::assertSame($oneLeftOnFace, $at['1']->face->x < $at['2']->face->x);
        self::assertSame($oneLeftOnFace, $at['1']->wiring->x > $at['2']->wiring->x);
        self::assertEqualsWithDelta(0, $at['3']->face->x, 1e-9);
        self::assertLessThan(0, $at['3']->face->y);
        self::assertGreaterThan(0, $at['1']->face->y);
        self::assertSame($at['1']->face->y, $at['2']->face->y);
    }

    /** Common practice: turn a male's wiring side so that 3 is on top, and 1 is on the left, 2 on the right. */
    public function test_three_pole_at_the_vice(): void
    {
        $at = [];
        foreach (ShippedCatalogue::load()->connectors()['xlr3-male-cable']->cavities as $cavity) {
            $at[$cavity->address] = [-$cavity->wiring->x, -$cavity->wiring->y];
        }
        self::assertGreaterThan($at['1'][1], $at['3'][1]);
        self::assertLessThan(0, $at['1'][0]);
        self::assertGreaterThan(0, $at['2'][0]);
    }

    /** Common practice: short lug tip, long lug ring, body sleeve; not the mirror of the contacts. */
    public function test_a_terminal_need_not_mirror_its_contact(): void
    {
        foreach (ShippedCatalogue::load()->connectors()['trs-plug']->cavities as $cavity) {
            self::assertSame(
                ['tip' => 'short lug', 'ring' => 'long lug', 'sleeve' => 'body'][$cavity->address],
                $cavity->terminal,
            );
            self::assertNotEquals($cavity->face->mirrored(), $cavity->wiring);
        }
    }

    /** Common practice: an 8P8C plug, contacts up, cable toward you: 1 on the left. */
    public function test_plug_seen_from_the_cable(): void
    {
        $x = [];
        foreach (ShippedCatalogue::load()->connectors()['8p8c-plug']->cavities as $cavity) {
            $x[(int) $cavity->address] = $cavity->wiring->x;
        }
        $sorted = $x;
        asort($sorted);
        self::assertSame([1, 2, 3, 4, 5, 6, 7, 8], array_keys($sorted));
    }

    /** Trade figures (common practice): 24 channels × 3 = 72 contacts of 90. */
    public function test_24_channels_take_72_of_90_contacts(): void
    {
        $plan = Bench::stageBox()->plan()->runs['M-1'];
        $used = array_unique(
            array_map(static fn ($joint): string => Node::address($joint->to), $plan->end(Side::B)->joints),
        );
        self::assertCount(72, $used);
        self::assertCount(90, ShippedCatalogue::load()->connectors()['rect90-male']->cavities);
        self::assertCount(
            24,
            $plan->end(Side::A)->joints === []
                ? []
                : array_unique(
                    array_map(static fn ($joint): ?string => Node::fitting($joint->to), $plan->end(Side::A)->joints),
                ),
        );
    }

    /** IEC 60445: line brown, neutral blue, earth green-yellow. */
    public function test_mains_colours(): void
    {
        $cable = ShippedCatalogue::load()->cables()['composite'];
        self::assertSame(
            ['brown', 'blue', 'green/yellow'],
            array_map(static fn ($conductor): string => $conductor->element->colour, $cable->conductorsWithin('mains')),
        );
    }

    /** NEC 200.6, 250.119: line black, neutral white, earth green. */
    public function test_north_american_mains_colours(): void
    {
        $cable = ShippedCatalogue::load()->cables()['composite-na'];
        self::assertSame(
            ['black', 'white', 'green'],
            array_map(static fn ($conductor): string => $conductor->element->colour, $cable->conductorsWithin('mains')),
        );
    }

    /**
     * TIA-574, terminal side: 2 receive, 3 transmit, 5 common, 7 RTS, 8 CTS; a null modem exchanges 2 with 3 and 7 with
     * 8.
     */
    public function test_serial_ports_and_the_null_modem(): void
    {
        $plans = ShippedCatalogue::load()->plans();
        self::assertSame(
            ['transmit' => '3', 'receive' => '2', 'common' => '5', 'request' => '7', 'clear' => '8'],
            array_diff_key($plans['dsub9-male-eia232']->channels['1'], ['screen' => 0]),
        );
        $bench = Bench::of(
            Bench::request('D-1', 'control-8', ['eia232'], ['dsub9-male-eia232'], ['dsub9-female-null-modem']),
        );
        $lights = $bench->expectation()->reading->lights;
        foreach (['2' => '3', '3' => '2', '5' => '5', '7' => '8', '8' => '7'] as $here => $there) {
            self::assertSame(["t:D-1.b1/$there"], $lights["t:D-1.a1/$here"]);
        }
    }

    /** AES3: 110 Ω; AES-3id and SMPTE ST 292-1: 75 Ω; TIA-568: 100 Ω; TIA-485: 120 Ω. */
    public function test_line_impedances_of_signals(): void
    {
        $signals = ShippedCatalogue::load()->signals();
        foreach (['aes3' => 110, 'video' => 75, 'network' => 100, 'rs485' => 120] as $id => $ohms) {
            self::assertSame($ohms, $signals[$id]->impedance);
        }
    }

    /** Common practice: a low-profile plug's large right lug is tip, its small left lug sleeve. */
    public function test_low_profile_plug(): void
    {
        foreach (ShippedCatalogue::load()->connectors()['ts-plug-low']->cavities as $cavity) {
            self::assertSame(
                ['tip' => 'large right lug', 'sleeve' => 'small left lug'][$cavity->address],
                $cavity->terminal,
            );
            self::assertSame($cavity->address === 'tip', $cavity->wiring->x > 0);
        }
    }

    /** Common practice: a jack's slots follow its own print, which is not the order of its contacts. */
    public function test_jack_slots(): void
    {
        foreach (['8p8c-jack', '8p8c-jack-screened', 'cat7a-jack'] as $id) {
            $jack = ShippedCatalogue::load()->connectors()[$id];
            self::assertEqualsCanonicalizing(range(1, 8), array_map(intval(...), $jack->cable->print));
            self::assertNotSame(range(1, 8), array_map(intval(...), $jack->cable->print));
        }
    }

    /**
     * IEC 60807-2 (from memory): a male D-sub, mating face, has contact 1 at the upper left and counts to the right;
     * the long row holds one more.
     */
    #[DataProvider('dSubs')]
    public function test_d_sub_contacts_count_from_the_upper_left(int $ways): void
    {
        $at = [];
        foreach (ShippedCatalogue::load()->connectors()["dsub$ways-male"]->cavities as $cavity) {
            $at[(int) $cavity->address] = $cavity->face;
        }
        self::assertCount($ways, $at);
        $long = intdiv($ways + 1, 2);
        for ($n = 1; $n < $long; $n++) {
            self::assertLessThan($at[$n + 1]->x, $at[$n]->x);
        }
        self::assertGreaterThan($at[$long + 1]->y, $at[1]->y);
        foreach (ShippedCatalogue::load()->connectors()["dsub$ways-female"]->cavities as $cavity) {
            self::assertEqualsWithDelta(-$at[(int) $cavity->address]->x, $cavity->face->x, 1e-9);
        }
    }

    /** @return iterable<string, array{int}> */
    public static function dSubs(): iterable
    {
        foreach ([9, 15, 25, 37] as $ways) {
            yield $ways.' ways' => [$ways];
        }
    }
}
