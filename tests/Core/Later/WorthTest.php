<?php

declare(strict_types=1);

namespace Tests\Core\Later;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Later\Changing\Effort;
use Sartal\Core\Later\Changing\Worth;
use Sartal\Core\Work\Bench\TimeBook;

/** Sums and shares are plain arithmetic, worked by hand here. */
final class WorthTest extends TestCase
{
    private static function written(FigureTerm ...$terms): array
    {
        return array_map(static fn (FigureTerm $term): string => $term->amount, array_values($terms));
    }

    public function test_minutes_are_summed_and_said_to_a_tenth_with_every_effort_to_a_hundredth(): void
    {
        $sum = Worth::minutes(new Effort('undo', 'a joint', 1.254), new Effort('make', 'a joint', 2.5));
        self::assertEqualsWithDelta(3.754, $sum->value, 1e-9);
        self::assertSame('3.8 min', $sum->text());
        self::assertSame(['1.25 min', '2.5 min'], self::written(...$sum->terms));
    }

    public function test_what_three_runs_share_is_a_third_for_each_and_says_so(): void
    {
        $one = Worth::shared(3, new Effort('find', 'a way', 10.0));
        self::assertEqualsWithDelta(10 / 3, $one->value, 1e-9);
        self::assertSame('3.3 min', $one->text());
        self::assertSame(['10 min', '÷ 3'], self::written(...$one->terms));
        $alone = Worth::shared(1, new Effort('find', 'a way', 10.0));
        self::assertSame('10 min', $alone->text());
        self::assertSame(['10 min'], self::written(...$alone->terms));
    }

    public function test_an_hour_is_paid_by_the_rate_and_said_in_hundredths(): void
    {
        $demo = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
        $in = InstallationFile::parse($demo)->installation;
        self::assertSame([48.0, 'EUR'], [$in->economy()->rate, $in->economy()->currency]);
        $cost = (new Worth($in, new TimeBook()))->cost(new Figure(1.394, 'min', [], 1), []);
        self::assertEqualsWithDelta(1.1152, $cost->value, 1e-9, '48 an hour is 0.8 a minute.');
        self::assertSame('1.12 EUR', $cost->text());
        self::assertSame(['1.12 EUR'], self::written(...$cost->terms));
    }
}
