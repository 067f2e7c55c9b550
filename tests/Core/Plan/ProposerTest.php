<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\Proposer;
use Tests\Support\Bench;

final class ProposerTest extends TestCase
{
    private static function propose(string $cable, array $signals, array $a, array $b): Proposal
    {
        return (new Proposer(ShippedCatalogue::load()))->propose(Bench::request('R', $cable, $signals, $a, $b));
    }

    /** @return iterable<string, array{string, list<string>, list<string>, list<string>, int, int, int}> */
    public static function shapes(): iterable
    {
        yield 'a pair: one circuit, one fitting an end' => [
            'pair-foil',
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            ['xlr3-male-cable-balanced'],
            1,
            1,
            1,
        ];
        yield '24 pairs: tails against one rectangular connector' => [
            'multicore-24',
            ['analogue'],
            ['xlr3-female-panel-balanced'],
            ['rect90-male-24ch'],
            24,
            24,
            1,
        ];
        yield '24 pairs on eight-channel connectors: three of them' => [
            'multicore-24',
            ['analogue'],
            ['dsub25-male-aes59'],
            ['rect90-male-24ch'],
            24,
            3,
            1,
        ];
        yield 'four pairs are one network circuit' => [
            'cat6a-futp',
            ['network'],
            ['8p8c-jack-screened-t568b'],
            ['8p8c-jack-screened-t568b'],
            1,
            1,
            1,
        ];
        yield 'two pairs are one data circuit' => [
            'data-2pair',
            ['dmx'],
            ['xlr5-male-dmx'],
            ['xlr5-female-dmx'],
            1,
            1,
            1,
        ];
        yield 'one pair can be one too' => ['data-pair-120', ['dmx'], ['xlr5-male-dmx'], ['xlr5-female-dmx'], 1, 1, 1];
        yield 'a composite has a leg for each kind' => [
            'composite',
            ['mains', 'analogue'],
            ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
            ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
            2,
            2,
            2,
        ];
        yield 'two loudspeaker circuits on one connector' => [
            'loudspeaker-4',
            ['loudspeaker'],
            ['speaker4-cable-2'],
            ['speaker4-cable-1'],
            2,
            1,
            2,
        ];
        yield 'one end may stay bare' => ['coax-75-12g', ['video'], ['bnc75-plug-video'], [], 1, 1, 0];
    }

    /**
     * @param  list<string>  $signals
     * @param  list<string>  $a
     * @param  list<string>  $b
     */
    #[DataProvider('shapes')]
    public function test_a_line_unfolds(
        string $cable,
        array $signals,
        array $a,
        array $b,
        int $circuits,
        int $fittingsA,
        int $fittingsB,
    ): void {
        $proposal = self::propose($cable, $signals, $a, $b);
        self::assertCount($circuits, $proposal->circuits);
        self::assertCount($circuits, $proposal->run->carries);
        self::assertCount($fittingsA, $proposal->run->a->legs);
        self::assertCount($fittingsB, $proposal->run->b->legs);
        self::assertCount($fittingsA + $fittingsB, $proposal->fittings);
        self::assertEqualsCanonicalizing(array_keys($proposal->fittings), $proposal->run->fittings());
        $bench = Bench::of(Bench::request('R', $cable, $signals, $a, $b));
        $stops = array_filter(
            $bench->plan()->findings(),
            static fn ($finding): bool => $finding->severity->value === 'stop',
        );
        self::assertSame([], $stops);
    }

    /** @return iterable<string, array{string, list<string>, list<string>, string, string}> */
    public static function impossible(): iterable
    {
        yield 'an unknown cable' => ['gold', ['analogue'], ['xlr3-female-cable-balanced'], 'cable', 'gold'];
        yield 'an unknown signal' => [
            'pair-foil',
            ['telepathy'],
            ['xlr3-female-cable-balanced'],
            'signal',
            'telepathy',
        ];
        yield 'no signal' => ['pair-foil', [], ['xlr3-female-cable-balanced'], 'signal', ''];
        yield 'an unknown plan' => ['pair-foil', ['analogue'], ['moon'], 'a.plans', 'moon'];
        yield 'a plan for something else' => [
            'pair-foil',
            ['analogue'],
            ['bnc75-plug-video'],
            'a.plans',
            'centre and shell',
        ];
        yield 'a cable that cannot carry it' => [
            'coax-75-12g',
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            'signal',
            'Balanced analogue audio',
        ];
        yield 'mains in a signal cable' => [
            'multicore-8',
            ['mains'],
            ['power-out-cable-mains'],
            'signal',
            'Mains supply',
        ];
        yield 'signal in the mains part' => [
            'loudspeaker-2',
            ['mains'],
            ['power-out-cable-mains'],
            'signal',
            'Mains supply',
        ];
    }

    /**
     * @param  list<string>  $signals
     * @param  list<string>  $a
     */
    #[DataProvider('impossible')]
    public function test_what_cannot_be_is_refused_with_field_value_and_remedy(
        string $cable,
        array $signals,
        array $a,
        string $field,
        string $value,
    ): void {
        try {
            self::propose($cable, $signals, $a, $a);
            self::fail('It should be refused.');
        } catch (CannotPropose $cannot) {
            self::assertSame([$field, $value], [$cannot->field, $cannot->value]);
            self::assertStringContainsString('Choose', $cannot->getMessage());
        }
    }
}
