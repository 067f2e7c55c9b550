<?php

declare(strict_types=1);

namespace Tests\Core\File;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;

/** The last value that is taken and the first that is not, and what is there where nothing is said. */
final class LimitsTest extends TestCase
{
    /** The demo with one thing said otherwise. */
    private static function with(string $path, mixed $value): Installation
    {
        /** @var array<string, mixed> $demo */
        $demo = json_decode(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        $at = &$demo;
        foreach (explode('.', $path) as $key) {
            $at = &$at[$key];
        }
        $at = $value;

        return InstallationFile::parse(json_encode($demo, JSON_THROW_ON_ERROR))->installation;
    }

    /** @return iterable<string, array{string, mixed, bool}> path in the demo, value, whether it is taken */
    public static function values(): iterable
    {
        yield 'a day of 24 hours' => ['workshop', ['hours' => 24], true];
        yield 'a day of 24 and a half' => ['workshop', ['hours' => 24.5], false];
        yield 'a day of half an hour' => ['workshop', ['hours' => 0.5], true];
        yield 'no spare end' => ['runs.0.a.spares', 0, true];
        yield 'less than no spare end' => ['runs.0.a.spares', -1, false];
        yield 'a share of one hundredth' => [
            'catalogue.signals.0.reach',
            ['kind' => 'loss', 'source' => 'test', 'share' => 1],
            true,
        ];
        yield 'a share of half of that' => [
            'catalogue.signals.0.reach',
            ['kind' => 'loss', 'source' => 'test', 'share' => 0.5],
            false,
        ];
        yield 'a field of testing that is none' => ['testing', ['months' => 3], false];
    }

    #[DataProvider('values')]
    public function test_a_limit_is_where_it_is(string $path, mixed $value, bool $taken): void
    {
        if (! $taken) {
            $this->expectException(InvalidDocument::class);
        }
        self::assertNotSame('', self::with($path, $value)->name);
    }

    public function test_what_is_chosen_is_kept_and_what_is_not_is_as_usual(): void
    {
        self::assertSame('70 mm', self::with('installation.rules.cutStep', '70 mm')->rules()->cutStep->canonical());
        $bare = self::with('runs.46', [
            'id' => 'X',
            'code' => 'X',
            'cable' => 'pair-foil',
            'carries' => [],
            'a' => ['location' => 'lectern', 'legs' => []],
            'b' => ['location' => 'amp-rack-1', 'legs' => []],
        ])->theRun('X');
        self::assertSame([0, 0], [$bare->a->spares, $bare->b->spares]);
    }

    public function test_what_is_wrong_is_shown_to_its_eightieth_sign(): void
    {
        foreach ([80 => str_repeat('x', 80), 81 => str_repeat('x', 79).'…'] as $signs => $shown) {
            try {
                self::with('workshop', ['hours' => str_repeat('x', $signs)]);
                self::fail('It was taken.');
            } catch (InvalidDocument $wrong) {
                self::assertSame($shown, $wrong->problems[0]->value);
            }
        }
    }

    public function test_a_length_goes_to_a_hundred_kilometres(): void
    {
        $most = 100 * 1000 * 1_000_000_000;
        self::assertSame($most, Length::nanometres($most)->nanometres);
        $this->expectException(InvalidMeasure::class);
        Length::nanometres($most + 1);
    }

    public function test_what_just_fits_a_duct_goes_through_it(): void
    {
        $mm = Length::millimetres(...);
        $duct = Bore::rectangular($mm(100), $mm(50));
        self::assertTrue($duct->passes($mm(100), $mm(50)));
        self::assertTrue($duct->passes($mm(50), $mm(100)), 'turned');
        self::assertFalse($duct->passes($mm(100.001), $mm(50)));
        self::assertFalse($duct->passes($mm(100), $mm(50.001)));
        // 3, 4, 5: the diagonal is the diameter.
        self::assertTrue(Bore::round($mm(50))->passes($mm(30), $mm(40)));
        self::assertFalse(Bore::round($mm(49.9))->passes($mm(30), $mm(40)));
    }

    public function test_what_nobody_said_of_a_part_is_nothing(): void
    {
        $part = new Part('p', 'P', PartKind::Boot);
        self::assertSame([0, 1, false, false], [$part->crimps, $part->pack, $part->split, $part->lined]);
    }
}
