<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Measure\Inches;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;

/**
 * Lengths as people type and paste them, both ways. What is written here is put together by a generator of its own,
 * which reckons in sixty-fourths and thousandths, never in what the reader reckons in.
 */
final class LengthGrammarTest extends TestCase
{
    /** nm: 25.4 mm / 64, the international inch of 1959. */
    private const SIXTY_FOURTH = 396_875;

    /** Digits from nought to nine, as Unicode has them: ASCII, full width, Arabic, Persian, Devanagari, Thai. */
    private const SCRIPTS = [
        '0123456789',
        '０１２３４５６７８９',
        '٠١٢٣٤٥٦٧٨٩',
        '۰۱۲۳۴۵۶۷۸۹',
        '०१२३४५६७८९',
        '๐๑๒๓๔๕๖๗๘๙',
    ];

    /** Of sixty-fourths: fractions that are one sign. */
    private const SIGNS = [32 => '½', 16 => '¼', 48 => '¾', 8 => '⅛', 24 => '⅜', 40 => '⅝', 56 => '⅞'];

    /** @return iterable<string, array{string, string}> */
    public static function usual(): iterable
    {
        yield 'full width' => ['３ m', '3000 mm'];
        yield 'Arabic' => ['٣ m', '3000 mm'];
        yield 'two scripts in one number' => ['1２ m', '12000 mm'];
        yield 'one sign for a half' => ['½ in', '12.7 mm'];
        yield 'a whole and one sign' => ['1½ in', '38.1 mm'];
        yield 'no nought before the point' => ['.5 m', '500 mm'];
        yield 'a hyphen between feet and inches' => ['5\'-6"', '1676.4 mm'];
        yield 'typographic marks' => ['5’ 6”', '1676.4 mm'];
        yield 'primes' => ['5′ 6½″', '1689.1 mm'];
        yield 'two strokes for inches' => ["6''", '152.4 mm'];
        yield 'a hyphen before the fraction' => ['1-1/2 in', '38.1 mm'];
        yield 'a minus sign' => ["\u{2212}1 1/2 in", '-38.1 mm'];
        yield 'a comma as the point' => ['12,4 m', '12400 mm'];
        yield 'three digits after a comma, which cannot part thousands' => ['0,533 m', '533 mm'];
        yield 'thousands parted by blanks, as ISO 80000-1 asks' => ["12\u{202f}345 mm", '12345 mm'];
        yield 'thousands by points, a comma as the point' => ['1.234,5 m', '1234500 mm'];
        yield 'thousands by commas, and a point' => ['1,234.5 m', '1234500 mm'];
        yield 'thousands by commas more than once' => ['1,234,567 mm', '1234567 mm'];
        yield 'metres and centimetres' => ['1 m 20 cm', '1200 mm'];
    }

    #[DataProvider('usual')]
    public function test_what_is_usual_is_understood(string $text, string $canonical): void
    {
        self::assertSame($canonical, Length::parse($text)->canonical());
    }

    /** @return iterable<string, array{string, list<string>}> what may be meant */
    public static function ambiguous(): iterable
    {
        yield 'a mark of thousands, or of feet' => ["1'000 m", ['1000 m', '1 ft']];
        yield 'a comma before three digits' => ['1,234 ft', ['1.234 ft', '1234 ft']];
        yield 'the same, of metres' => ['12,345 m', ['12.345 m', '12345 m']];
    }

    /** @param  list<string>  $either */
    #[DataProvider('ambiguous')]
    public function test_what_may_be_two_lengths_is_asked_about(string $text, array $either): void
    {
        try {
            Length::parse($text);
            self::fail($text.' was taken for one of them.');
        } catch (InvalidMeasure $asked) {
            foreach ($either as $one) {
                self::assertStringContainsString($one, $asked->getMessage());
                self::assertNotSame('', Length::parse($one)->canonical(), 'and what it proposes is understood');
            }
        }
    }

    /** @return iterable<array{string}> */
    public static function neither(): iterable
    {
        foreach (
            [
                '1.5 1/2 in',
                '㉓ m',
                '𝟙 m',
                '1 234 5 m',
                '1,2,3 m',
                '5 in 3 ft',
                '1.5 m 20 cm',
                '5 ft 13 in',
                '3–4 m', '½2 m',
                '1..5 m',
            ] as $text
        ) {
            yield [$text];
        }
        yield ['1 m 2 m'];
        yield ['1.0000000001 m'];
        yield ["\xff m"];
    }

    #[DataProvider('neither')]
    public function test_what_is_no_length_is_refused(string $text): void
    {
        $this->expectException(InvalidMeasure::class);
        Length::parse($text);
    }

    public function test_inches_however_they_are_written_are_the_same_length(): void
    {
        $dice = new Randomizer(new Mt19937(1717));
        for ($i = 0; $i < 3000; $i++) {
            $feet = $dice->getInt(0, 1) * $dice->getInt(1, 900);
            $inches = $dice->getInt(0, $feet > 0 ? 11 : 400);
            $parts = $dice->getInt(0, 63);
            $isMinus = $dice->getInt(0, 5) === 0;
            $text =
                ($isMinus ? ['-', "\u{2212}", '- '][$dice->getInt(0, 2)] : '').
                self::inches($dice, $feet, $inches, $parts);
            $nanometres = (($feet * 12 + $inches) * 64 + $parts) * self::SIXTY_FOURTH;
            self::assertSame($isMinus ? -$nanometres : $nanometres, Length::parse($text)->nanometres, $text);
        }
    }

    private static function inches(Randomizer $dice, int $feet, int $inches, int $parts): string
    {
        $one = static fn (string ...$of): string => $of[$dice->getInt(0, count($of) - 1)];
        [$over, $under] = [$parts, 64];
        // Not always in the lowest terms.
        while ($over > 0 && $over % 2 === 0 && $dice->getInt(0, 3) > 0) {
            [$over, $under] = [intdiv($over, 2), intdiv($under, 2)];
        }
        $fraction =
            isset(self::SIGNS[$parts]) && $dice->getInt(0, 1) === 1
                ? self::SIGNS[$parts]
                : ($parts === 0
                    ? ''
                    : self::scripted($dice, $over).$one('/', "\u{2044}", ' / ').self::scripted($dice, $under));
        $whole = $inches > 0 || $fraction === '' ? self::scripted($dice, $inches) : '';
        $isOneSign = in_array($fraction, self::SIGNS, true);
        $between = $whole === '' || $fraction === '' ? '' : ($isOneSign ? $one('', ' ') : $one(' ', '-', '  '));
        $rest = $whole.$between.$fraction.$one(' in', 'in', '"', '”', '″', "''", ' IN', ' in.');
        if ($feet === 0) {
            return $rest;
        }

        return self::scripted($dice, $feet).
            $one("'", '’', '′', ' ft ', 'ft ', ' FT ', ' ft. ').
            $one('', ' ', '-').
            $rest;
    }

    public function test_metric_lengths_however_they_are_written_are_the_same_length(): void
    {
        $dice = new Randomizer(new Mt19937(64));
        for ($i = 0; $i < 3000; $i++) {
            [$unit, $size] = [['mm', 1_000], ['cm', 10_000], ['m', 1_000_000]][$dice->getInt(0, 2)];
            $whole = $dice->getInt(0, 99_000);
            $thousandths = $dice->getInt(0, 1) * $dice->getInt(0, 999);
            $decimals = $thousandths === 0 ? '' : sprintf('%03d', $thousandths);
            $text = self::grouped($dice, $whole, $decimals);
            $canBeTwo = preg_match('~^[1-9]\d{0,2},\d{3}$~', $text) === 1;
            $text = self::inScript($dice, $text).[' ', '', "\u{00a0}"][$dice->getInt(0, 2)].$unit;
            try {
                // Thousandths of a unit, in nanometres.
                self::assertSame(($whole * 1000 + $thousandths) * $size, Length::parse($text)->nanometres, $text);
                self::assertFalse($canBeTwo, $text);
            } catch (InvalidMeasure $asked) {
                self::assertTrue($canBeTwo, $text.': '.$asked->getMessage());
            }
        }
    }

    private static function grouped(Randomizer $dice, int $whole, string $decimals): string
    {
        [$mark, $point] = [[' ', '.'], [' ', ','], ["\u{202f}", '.'], [',', '.'], ['.', ','], ['', '.'], ['', ',']][
            $dice->getInt(0, 6)
        ];
        if ($decimals === '' && in_array($mark, [',', '.'], true)) {
            // One mark alone could be either: only with decimals does it say which.
            $mark = '';
        }

        return number_format($whole, 0, '', $mark).($decimals === '' ? '' : $point.$decimals);
    }

    private static function scripted(Randomizer $dice, int $number): string
    {
        return self::inScript($dice, (string) $number);
    }

    private static function inScript(Randomizer $dice, string $text): string
    {
        $digits = mb_str_split(self::SCRIPTS[$dice->getInt(0, 1) * $dice->getInt(0, count(self::SCRIPTS) - 1)]);

        return strtr($text, array_combine(array_map(strval(...), range(0, 9)), $digits));
    }

    /** Whatever is read, each of its digits counts: another digit in its place is another length, or none. */
    public function test_no_digit_is_dropped(): void
    {
        $dice = new Randomizer(new Mt19937(20261128));
        $signs = [...mb_str_split('0123456789１２٣۴५๖ .,\'"’”½/- '), 'm', ' m', ' in', ' ft ', 'mm', '1', '2', '5'];
        $read = 0;
        for ($i = 0; $i < 60_000; $i++) {
            $text = '';
            for ($n = $dice->getInt(1, 7); $n > 0; $n--) {
                $text .= $signs[$dice->getInt(0, count($signs) - 1)];
            }
            $text .= ['m', ' m', ' in', '"', "'", ' ft'][$dice->getInt(0, 5)];
            $length = self::tried($text);
            if ($length === null) {
                continue;
            }
            $read++;
            self::assertSame($length, Length::parse(Length::nanometres($length)->canonical())->nanometres);
            foreach (mb_str_split($text) as $at => $sign) {
                $digit = \IntlChar::charDigitValue(mb_ord($sign));
                if ($digit < 0 || str_contains($text, '/')) {
                    continue;
                }
                $other = mb_substr($text, 0, $at).($digit + 1) % 10 .mb_substr($text, $at + 1);
                self::assertNotSame($length, self::tried($other), sprintf('%s and %s', $text, $other));
            }
        }
        self::assertGreaterThan(2000, $read);
    }

    private static function tried(string $text): ?int
    {
        try {
            return Length::parse($text)->nanometres;
        } catch (InvalidMeasure) {
            return null;
        }
    }

    public function test_sixty_fourths_are_printed_exactly_and_read_back_as_the_same(): void
    {
        $dice = new Randomizer(new Mt19937(3));
        for ($i = 0; $i < 3000; $i++) {
            $parts = $dice->getInt(-300, 300) * $dice->getInt(1, 4000);
            $length = Length::nanometres($parts * self::SIXTY_FOURTH);
            foreach ([false, true] as $feet) {
                $text = Inches::text($length, $feet);
                self::assertSame($length->nanometres, Length::parse($text)->nanometres, $text);
                // In the lowest terms, and never a foot or more of inches.
                if (preg_match('~(\d+)/(\d+)~', $text, $m) === 1) {
                    self::assertSame(1, (int) $m[1] % 2, $text);
                    self::assertLessThan((int) $m[2], (int) $m[1], $text);
                }
                if ($feet && preg_match('~ft (\d+)(?![\d/])~', $text, $m) === 1) {
                    self::assertLessThan(12, (int) $m[1], $text);
                }
            }
            // Between two of them: the nearer.
            $off = $dice->getInt(-198_437, 198_437);
            self::assertSame(
                Inches::text($length),
                Inches::text(Length::nanometres($length->nanometres + ($parts < 0 ? -$off : $off))),
            );
        }
        self::assertSame('-1 1/2 in', Inches::text(Length::parse('-1 1/2 in')));
        self::assertSame('0 in', Inches::text(Length::nanometres(-1)));
        self::assertSame('82 ft 1/64 in', Inches::text(Length::parse('82 ft 1/64 in'), true));
    }

    /** What the browser prints is laid beside this table by a test of its own (tests/Script/words.test.ts). */
    public function test_the_table_that_the_browser_is_held_to_is_what_is_printed_here(): void
    {
        $dice = new Randomizer(new Mt19937(25));
        $table = [];
        foreach ([0, 1, -1, 198_437, 198_438, 304_800_000, 304_799_999, -38_100_000] as $nanometres) {
            $table[] = Length::nanometres($nanometres);
        }
        for ($i = 0; $i < 400; $i++) {
            $size = $dice->getInt(-1, 4) * $dice->getInt(0, 99) * $dice->getInt(1, 1_000_000_000);
            $table[] = Length::nanometres($size);
        }
        $text = json_encode(
            array_map(
                static fn (Length $length): array => [
                    $length->canonical(),
                    Inches::text($length),
                    Inches::text($length, true),
                ],
                $table,
            ),
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES,
        );
        $file = dirname(__DIR__, 2).'/Script/inches.json';
        if (getenv('SARTAL_WRITE') !== false) {
            file_put_contents($file, $text."\n");
        }
        self::assertStringEqualsFile($file, $text."\n", 'SARTAL_WRITE=1 writes it anew.');
    }
}
