<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Where a page takes more than it may, it says so, and what to do. The process really ends. */
final class FailingWellTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>, string, string}> */
    public static function limits(): iterable
    {
        yield 'memory' => ['memory', ['-d', 'memory_limit=48M'], 'more memory than one page may', 'SARTAL_MEMORY_MB'];
        yield 'time' => ['time', ['-d', 'max_execution_time=1'], 'longer than one page may take', 'SARTAL_SECONDS'];
    }

    /** @param  list<string>  $limit */
    #[DataProvider('limits')]
    public function test_a_page_that_takes_too_much_says_so_in_words(
        string $what,
        array $limit,
        string $words,
        string $setting,
    ): void {
        $log = (string) tempnam(sys_get_temp_dir(), 'sartal-log');
        $page = new Process(
            [PHP_BINARY, ...$limit, '-d', 'display_errors=0', dirname(__DIR__).'/Support/exhaust.php', $what],
            env: ['APP_RUNNING_IN_CONSOLE' => 'false', 'APP_DEBUG' => 'false', 'SARTAL_TEST_LOG' => $log],
        );
        $page->run();
        $lines = explode("\n", trim($page->getOutput()));
        self::assertSame('503', end($lines), $page->getOutput().$page->getErrorOutput());
        /** @var array{message: string} $said */
        $said = json_decode(implode("\n", array_slice($lines, 0, -1)), true, 512, JSON_THROW_ON_ERROR);
        self::assertStringContainsString($words, $said['message']);
        self::assertStringContainsString($setting, $said['message']);
        self::assertStringContainsString('Nothing was changed', $said['message']);
        // Whoever looks for it finds which page it was.
        self::assertStringContainsString('GET /api/exhaust/'.$what, (string) file_get_contents($log));
        unlink($log);
    }
}
