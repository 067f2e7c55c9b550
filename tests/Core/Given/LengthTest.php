<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;

final class LengthTest extends TestCase
{
    /** @return iterable<string, array{string, int}> */
    public static function spellings(): iterable
    {
        yield 'metres' => ['12.4 m', 12_400_000_000];
        yield 'a comma' => ['12,4 m', 12_400_000_000];
        yield 'no blank' => ['940mm', 940_000_000];
        yield 'a sixty-fourth of an inch, exactly' => ['1/64 in', 396_875];
        yield 'a quarter inch' => ['1/4"', 6_350_000];
        yield 'feet and inches' => ['3 ft 6 1/2 in', 1_079_500_000];
        yield 'kilometres with nine decimals' => ['1.000000001 km', 1_000_000_001_000];
        yield 'negative' => ['-5 m', -5_000_000_000];
    }

    #[DataProvider('spellings')]
    public function test_reads_what_people_write(string $text, int $nanometres): void
    {
        self::assertSame($nanometres, Length::parse($text)->nanometres);
    }

    /** @return iterable<array{string}> */
    public static function nonsense(): iterable
    {
        yield [''];
        yield ['abc'];
        yield ['12'];
        yield ['5 m 3'];
        yield ['1/0 in'];
        yield ['1 m 2 m 3 m'];
        yield ['9999999 km'];
        yield ['=1+1'];
    }

    #[DataProvider('nonsense')]
    public function test_refuses_what_is_no_length_and_says_what_is(string $text): void
    {
        $this->expectException(InvalidMeasure::class);
        $this->expectExceptionMessage('"'.$text.'"');
        Length::parse($text);
    }

    public function test_the_canonical_spelling_reads_back_as_the_same_length(): void
    {
        mt_srand(7);
        for ($i = 0; $i < 500; $i++) {
            $length = Length::nanometres(mt_rand(-1_000_000_000, 1_000_000_000) * mt_rand(1, 90_000));
            self::assertSame($length->nanometres, Length::parse($length->canonical())->nanometres);
        }
    }

    public function test_rounding_up_is_never_shorter_and_less_than_a_step_longer(): void
    {
        mt_srand(8);
        for ($i = 0; $i < 500; $i++) {
            $length = Length::nanometres(mt_rand(-5_000_000_000, 5_000_000_000));
            $step = Length::nanometres(mt_rand(1, 100_000_000));
            $over = $length->roundedUpTo($step)->minus($length)->nanometres;
            self::assertTrue($over >= 0 && $over < $step->nanometres);
            self::assertSame(0, $length->roundedUpTo($step)->nanometres % $step->nanometres);
        }
    }

    public function test_a_bare_number_takes_the_unit_given(): void
    {
        self::assertSame('1500 mm', Length::parse('1.5', 'm')->canonical());
    }

    public function test_a_step_of_nothing_is_refused(): void
    {
        $this->expectException(InvalidMeasure::class);
        Length::metres(1)->roundedUpTo(Length::zero());
    }
}
