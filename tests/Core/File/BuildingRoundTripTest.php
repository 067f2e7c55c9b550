<?php

declare(strict_types=1);

namespace Tests\Core\File;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\BuildingCodec;
use Sartal\Core\File\Fields;
use Sartal\Core\File\LoomCodec;
use Sartal\Core\File\PanelCodec;
use Sartal\Core\File\Problem;
use Sartal\Core\File\Problems;
use Sartal\Core\File\StockCodec;
use Sartal\Core\Given\Catalogue\FireClass;
use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Breakout;
use Sartal\Core\Given\Installation\Covering;
use Sartal\Core\Given\Installation\Economy;
use Sartal\Core\Given\Installation\Environment;
use Sartal\Core\Given\Installation\JacketMarks;
use Sartal\Core\Given\Installation\Junction;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\MapPoint;
use Sartal\Core\Given\Installation\MarkUnit;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\Rack;
use Sartal\Core\Given\Installation\RackEntry;
use Sartal\Core\Given\Installation\Reel;
use Sartal\Core\Given\Installation\TailCut;
use Sartal\Core\Given\Installation\Takes;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;

/** What is written of the building, looms and stock is read back as it was; what is wrong is named with its place. */
final class BuildingRoundTripTest extends TestCase
{
    private Randomizer $random;

    protected function setUp(): void
    {
        $this->random = new Randomizer(new Mt19937(77));
    }

    private function length(int $most = 5000): Length
    {
        return Length::millimetres($this->random->getInt(1, $most * 4) / 4);
    }

    private function maybe(mixed $value): mixed
    {
        return $this->random->getInt(0, 1) === 1 ? $value : null;
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return T
     */
    private function one(array $of): mixed
    {
        return $of[$this->random->getInt(0, count($of) - 1)];
    }

    private static function fields(mixed $data): Fields
    {
        return Fields::from(json_decode((string) json_encode($data), true), '', new Problems());
    }

    public function test_ways(): void
    {
        for ($n = 0; $n < 200; $n++) {
            $way = new Way(
                'w'.$n,
                'Way '.$n,
                $this->one(WayKind::cases()),
                $this->length(50_000),
                (string) $this->maybe('a'),
                (string) $this->maybe('b'),
                $this->one([
                    null,
                    Bore::round($this->length(100)),
                    Bore::rectangular($this->length(300), $this->length(100)),
                ]),
                $this->random->getInt(0, 8),
                $this->maybe($this->length(300)),
                array_values(array_filter(Environment::cases(), fn (): bool => $this->random->getInt(0, 3) === 0)),
                $this->one(Takes::cases()),
                $this->one(FireClass::cases()),
                $this->maybe($this->random->getInt(1, 100) / 1.0),
            );
            self::assertEquals($way, BuildingCodec::way(self::fields(BuildingCodec::encodeWay($way))));
        }
    }

    public function test_places(): void
    {
        for ($n = 0; $n < 100; $n++) {
            $at = $this->maybe(
                new MapPoint($this->random->getInt(-99, 99) / 2, (float) $this->random->getInt(-99, 99)),
            );
            $location = new Location(
                'l'.$n,
                'Location '.$n,
                $this->one(FireClass::cases()),
                $at,
                $this->maybe(
                    new Rack($this->random->getInt(1, 48), $this->one(RackEntry::cases()), $this->length(900)),
                ),
            );
            self::assertEquals(
                $location,
                BuildingCodec::location(self::fields(BuildingCodec::encodeLocation($location))),
            );
            $junction = new Junction('j'.$n, 'Junction '.$n, $at);
            self::assertEquals(
                $junction,
                BuildingCodec::junction(self::fields(BuildingCodec::encodeJunction($junction))),
            );
        }
    }

    public function test_panels(): void
    {
        for ($n = 0; $n < 60; $n++) {
            [$rows, $columns] = [$this->random->getInt(1, 8), $this->random->getInt(1, 24)];
            $places = [];
            for ($i = 0; $i < $this->random->getInt(0, 5); $i++) {
                $places[$this->random->getInt(1, $rows).'-'.$this->random->getInt(1, $columns)] = 'f'.$i;
            }
            $panel = new Panel(
                'p'.$n,
                'Panel '.$n,
                'rack',
                $rows,
                $columns,
                $this->length(80),
                $this->length(80),
                $this->length(80),
                $this->length(80),
                $this->length(80),
                $this->length(80),
                array_map(fn (): Length => $this->length(200), $this->random->getInt(0, 1) === 1 ? [1, 2] : []),
                $this->length(80),
                $this->length(200),
                $this->one(TailCut::cases()),
                $this->maybe($this->random->getInt(1, 48)),
                $places,
            );
            self::assertEquals($panel, PanelCodec::decode(self::fields(PanelCodec::encode($panel))));
        }
    }

    public function test_looms(): void
    {
        for ($n = 0; $n < 60; $n++) {
            $breakouts = array_map(
                fn (int $i): Breakout => new Breakout(
                    'j'.$i,
                    (string) $this->maybe('w'.$i),
                    Length::millimetres($this->random->getInt(1, 4000) * ($this->random->getInt(0, 1) * 2 - 1)),
                ),
                $this->random->getInt(0, 1) === 1 ? [1, 2, 3] : [],
            );
            $loom = new Loom(
                'L'.$n,
                'Loom '.$n,
                (string) $this->maybe('rack'),
                $this->one(Covering::cases()),
                $this->length(900),
                $this->random->getInt(0, 1) === 1,
                $breakouts,
            );
            self::assertEquals($loom, LoomCodec::decode(self::fields(LoomCodec::encode($loom))));
        }
    }

    public function test_reels_and_economy(): void
    {
        for ($n = 0; $n < 60; $n++) {
            $reel = new Reel(
                'R-'.$n,
                'pair-foil',
                $this->length(300_000),
                $this->random->getInt(0, 1) === 1,
                $this->maybe(
                    new JacketMarks(
                        $this->one(MarkUnit::cases()),
                        $this->random->getInt(0, 1) === 1,
                        $this->random->getInt(0, 9999) / 4,
                    ),
                ),
                (string) $this->maybe('in the cage'),
            );
            self::assertEquals($reel, StockCodec::reel(self::fields(StockCodec::encodeReel($reel))));
        }
        $economy = new Economy('NOK', 612.5, 7.5, ['bnc75-plug' => 41.25], ['bnc75-plug' => 12], ['M-201' => 6400.0]);
        self::assertEquals($economy, StockCodec::economy(self::fields(StockCodec::encodeEconomy($economy))));
        self::assertEquals(new Economy(), StockCodec::economy(self::fields([])));
    }

    /** @return iterable<string, array{callable(Fields): mixed, array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $way = ['id' => 'w', 'name' => 'W', 'length' => '1 m'];
        $panel = [
            'id' => 'p',
            'name' => 'P',
            'location' => 'rack',
            'rows' => 2,
            'columns' => 2,
            'pitch' => '50 mm',
            'rise' => '40 mm',
            'bars' => [],
        ];
        yield 'a way of less than nothing' => [BuildingCodec::way(...), ['length' => '-1 m'] + $way, 'length'];
        yield 'a way of 100 km' => [BuildingCodec::way(...), ['length' => '100000 m'] + $way, 'length'];
        yield 'bends below nothing' => [BuildingCodec::way(...), ['bends' => -1] + $way, 'bends'];
        yield 'half a bend' => [BuildingCodec::way(...), ['bends' => 1.5] + $way, 'bends'];
        yield 'over-full by decree' => [BuildingCodec::way(...), ['fillLimit' => 101] + $way, 'fillLimit'];
        yield 'takes nothing known' => [BuildingCodec::way(...), ['takes' => 'water'] + $way, 'takes'];
        yield 'a place that is one number' => [
            BuildingCodec::junction(...),
            ['id' => 'j', 'name' => 'J', 'at' => [1]],
            'at',
        ];
        yield 'a panel of halves' => [PanelCodec::decode(...), ['columns' => 2.5] + $panel, 'columns'];
        yield 'a bar above the panel' => [PanelCodec::decode(...), ['bars' => ['-5 mm']] + $panel, 'bars[0]'];
        yield 'tails cut somehow' => [PanelCodec::decode(...), ['tails' => 'somehow'] + $panel, 'tails'];
        yield 'a breakout by no length' => [
            LoomCodec::decode(...),
            ['id' => 'L', 'name' => 'L', 'breakouts' => [['at' => 'j', 'into' => 'w', 'by' => 'a bit']]],
            'breakouts[0].by',
        ];
        yield 'marks in ells' => [
            StockCodec::reel(...),
            ['id' => 'R', 'cable' => 'c', 'length' => '1 m', 'marks' => ['unit' => 'ell', 'start' => 0]],
            'marks.unit',
        ];
        yield 'a price below nothing' => [StockCodec::economy(...), ['prices' => ['x' => -1]], 'prices.x'];
        yield 'a rate that is a word' => [StockCodec::economy(...), ['rate' => 'much'], 'rate'];
    }

    /**
     * @param  callable(Fields): mixed  $read
     * @param  array<string, mixed>  $data
     */
    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_named(callable $read, array $data, string $path): void
    {
        $problems = new Problems();
        $read(Fields::from($data, '', $problems));
        $found = [];
        try {
            $problems->settle();
        } catch (\Sartal\Core\File\InvalidDocument $invalid) {
            $found = array_map(static fn (Problem $problem): string => $problem->path, $invalid->problems);
            foreach ($invalid->problems as $problem) {
                self::assertNotSame('', $problem->words);
            }
        }
        self::assertContains($path, $found);
    }

    public function test_marks_there_and_back(): void
    {
        foreach (MarkUnit::cases() as $unit) {
            foreach ([true, false] as $rising) {
                $marks = new JacketMarks($unit, $rising, 250.0);
                for ($n = 0; $n < 50; $n++) {
                    $along = $this->length(200_000);
                    self::assertEqualsWithDelta(
                        $along->nanometres,
                        $marks->between($marks->at(Length::zero()), $marks->at($along))->nanometres,
                        2,
                    );
                    self::assertSame($rising, $marks->at($along) > 250.0);
                }
            }
        }
    }

    public function test_what_passes_a_bore_passes_turned(): void
    {
        for ($n = 0; $n < 300; $n++) {
            $bore = $this->one([
                Bore::round($this->length(60)),
                Bore::rectangular($this->length(60), $this->length(60)),
            ]);
            [$wide, $high] = [$this->length(60), $this->length(60)];
            self::assertSame($bore->passes($wide, $high), $bore->passes($high, $wide));
            if ($bore->passes($wide, $high)) {
                self::assertTrue($bore->passes($wide->times(0.9), $high->times(0.9)), 'and so does what is smaller');
                self::assertGreaterThanOrEqual(
                    $wide->inMillimetres() * $high->inMillimetres() - 1e-6,
                    $bore->area(),
                    'nothing larger than the bore goes through',
                );
            }
        }
    }
}
