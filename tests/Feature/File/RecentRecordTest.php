<?php

declare(strict_types=1);

namespace Tests\Feature\File;

use App\Formats\RecentRecord;
use DateTimeImmutable;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;

/** The demo's last weeks are those before it is loaded, and nothing else of it is another. */
final class RecentRecordTest extends TestCase
{
    #[TestWith(['2026-12-02', 9])]
    #[TestWith(['2026-12-06', 9])]
    #[TestWith(['2027-05-03', 4])]
    public function test_work_lies_on_the_last_working_days_in_its_order(string $today, int $days): void
    {
        $text = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
        /** @var array<int|string, mixed> $file */
        $file = json_decode($text, true, 512, JSON_THROW_ON_ERROR);
        $recent = RecentRecord::of($file, new DateTimeImmutable($today), $days);
        $was = array_column($file['record'], 'at', 'id');
        $is = array_column($recent['record'], 'at', 'id');
        self::assertSame(array_keys($was), array_keys($is));
        asort($was);
        $before = '';
        foreach (array_keys($was) as $id) {
            self::assertGreaterThanOrEqual($before, $is[$id]);
            $before = $is[$id];
        }
        $on = array_values(array_unique(array_map(static fn (string $at): string => substr($at, 0, 10), $is)));
        self::assertCount($days, $on);
        foreach ($on as $day) {
            self::assertLessThan($today, $day);
            self::assertNotContains((new DateTimeImmutable($day))->format('D'), ['Sat', 'Sun']);
        }
        $parsed = InstallationFile::parse((string) json_encode($recent));
        $as = InstallationFile::parse($text);
        self::assertCount(count($as->events()), $parsed->events());
        self::assertEquals($as->installation()->runs(), $parsed->installation()->runs());
        $overdue = static fn (InstallationFile $of): array => array_map(
            static fn ($instrument): bool => $instrument->isOverdue($of->events()[count($of->events()) - 1]->at),
            $of->installation()->instruments(),
        );
        self::assertSame($overdue($as), $overdue($parsed), 'what was calibrated then is calibrated now');
        unset($file['record'], $recent['record'], $file['instruments'], $recent['instruments']);
        unset($file['workshop']['wanted'], $recent['workshop']['wanted']);
        self::assertSame($file, $recent);
    }
}
