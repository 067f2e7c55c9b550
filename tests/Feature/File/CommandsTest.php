<?php

declare(strict_types=1);

namespace Tests\Feature\File;

use PHPUnit\Framework\TestCase;

/** The two commands say in one sentence why they cannot go on. */
final class CommandsTest extends TestCase
{
    /** @return array{int, string} exit status, what was said */
    private static function command(string $command): array
    {
        exec('cd '.escapeshellarg(dirname(__DIR__, 3)).' && '.$command.' 2>&1 </dev/null', $said, $status);

        return [$status, implode("\n", $said)];
    }

    public function test_a_busy_port_is_named_with_another_to_use(): void
    {
        $taken = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($taken);
        $port = (int) explode(':', (string) stream_socket_get_name($taken, false))[1];
        [$status, $said] = self::command('PORT='.$port.' bin/start');
        fclose($taken);
        self::assertSame(1, $status);
        self::assertMatchesRegularExpression('~^Sartal: port '.$port.' is taken\. .*PORT=\d+ bin/start$~', $said);
    }

    public function test_a_missing_tool_is_named(): void
    {
        $folder = sys_get_temp_dir().'/sartal-tools-'.getmypid();
        mkdir($folder);
        foreach (['bash', 'dirname', 'mkdir', 'cat', 'sed', 'env'] as $tool) {
            symlink(trim((string) shell_exec('command -v '.$tool)), $folder.'/'.$tool);
        }
        [$status, $said] = self::command('PATH='.escapeshellarg($folder).' PORT=1 '.$folder.'/bash bin/start');
        array_map(unlink(...), glob($folder.'/*') ?: []);
        rmdir($folder);
        self::assertSame(1, $status);
        self::assertStringContainsString(
            'php is missing. Sartal needs PHP 8.2, Composer 2 and Node 20 or newer.',
            $said,
        );
    }

    public function test_a_part_of_the_tests_that_is_not_there(): void
    {
        [$status, $said] = self::command('bin/test everything');
        self::assertSame(1, $status);
        self::assertStringContainsString('There is no part "everything"', ucfirst(substr($said, strlen('Sartal: '))));
    }

    public function test_neither_command_names_a_secret_or_listens_beyond_loopback_by_itself(): void
    {
        foreach (['bin/start', 'bin/test', 'bin/bootstrap.sh'] as $file) {
            $text = (string) file_get_contents(dirname(__DIR__, 3).'/'.$file);
            self::assertStringNotContainsString('0.0.0.0', $text);
            self::assertDoesNotMatchRegularExpression('~base64:[A-Za-z0-9+/]{20}~', $text);
        }
        self::assertStringContainsString(
            'HOST=${HOST:-127.0.0.1}',
            (string) file_get_contents(dirname(__DIR__, 3).'/bin/start'),
        );
    }
}
