<?php

declare(strict_types=1);

namespace Tests\Feature;

use PDO;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Tests\Support\Databases;

/** Backup and restore as somebody would run them, on databases of their own. */
final class BackupTest extends TestCase
{
    private const SOURCE = 'sartal_backup_source';

    private const COPY = 'sartal_backup_copy';

    private string $folder = '';

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/sartal-backup-'.bin2hex(random_bytes(4));
        mkdir($this->folder.'/source/pictures', 0777, true);
        foreach ([self::SOURCE, self::COPY] as $database) {
            Databases::drop(self::pdo('postgres'), $database);
        }
        self::pdo('postgres')->exec('create database '.self::SOURCE);
        $this->run_(['php', 'artisan', 'migrate', '--force', '--quiet'], self::SOURCE, 'source');
        $this->run_(['php', 'artisan', 'sartal:demo'], self::SOURCE, 'source');
    }

    protected function tearDown(): void
    {
        foreach ([self::SOURCE, self::COPY] as $database) {
            Databases::drop(self::pdo('postgres'), $database);
        }
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    private static function pdo(string $database): PDO
    {
        return new PDO(
            sprintf('pgsql:host=127.0.0.1;port=%s;dbname=%s', getenv('DB_PORT') ?: $_ENV['DB_PORT'], $database),
            getenv('DB_USERNAME') ?: 'sartal',
            getenv('DB_PASSWORD') ?: '',
            [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
        );
    }

    /** @param  list<string>  $command */
    private function process(array $command, string $database, string $uploads): Process
    {
        return new Process(
            $command,
            dirname(__DIR__, 2),
            [
                'DB_DATABASE' => $database,
                'DB_PORT' => (string) (getenv('DB_PORT') ?: $_ENV['DB_PORT']),
                'DB_HOST' => '127.0.0.1',
                'SARTAL_UPLOADS' => $this->folder.'/'.$uploads,
                'APP_ENV' => 'production',
            ],
            null,
            300,
        );
    }

    /** @param  list<string>  $command */
    private function run_(array $command, string $database, string $uploads): string
    {
        $process = $this->process($command, $database, $uploads);
        $process->run();
        self::assertSame(0, $process->getExitCode(), $process->getOutput().$process->getErrorOutput());

        return $process->getOutput();
    }

    /** Every row of every table, as text. */
    private static function all(string $database): string
    {
        $pdo = self::pdo($database);
        $text = '';
        foreach (
            $pdo
                ->query("select tablename from pg_tables where schemaname = 'public' order by 1")
                ?->fetchAll(PDO::FETCH_COLUMN) ?:
            [] as $table
        ) {
            $rows = $pdo->query("select t::text from \"{$table}\" t order by 1")?->fetchAll(PDO::FETCH_COLUMN) ?: [];
            $text .= $table.' '.count($rows)."\n".implode("\n", $rows)."\n";
        }

        return $text;
    }

    public function test_a_backup_taken_under_load_is_whole_and_a_quiet_one_equals_its_source(): void
    {
        // Somebody goes on recording all the while: a photo, then the event that names it, then the count.
        $writer = $this->process(['php', 'tests/Support/keep-recording.php'], self::SOURCE, 'source');
        $writer->start();
        $before = 0;
        for ($i = 0; $i < 200 && $before < 20; $i++) {
            usleep(50_000);
            $before = (int) self::pdo(self::SOURCE)
                ->query("select count(*) from events where kind = 'pictured'")
                ?->fetchColumn();
        }
        self::assertGreaterThanOrEqual(20, $before, $writer->getErrorOutput());
        $this->run_(['bin/backup', $this->folder.'/under-load.sartal'], self::SOURCE, 'source');
        $during = (int) self::pdo(self::SOURCE)
            ->query("select count(*) from events where kind = 'pictured'")
            ?->fetchColumn();
        $writer->stop(2);
        self::assertGreaterThan($before, $during, 'Nothing was recorded while it was taken.');

        $this->run_(['bin/restore', $this->folder.'/under-load.sartal'], self::COPY, 'copy');
        $copy = self::pdo(self::COPY);
        $pictured = (int) $copy->query("select count(*) from events where kind = 'pictured'")?->fetchColumn();
        self::assertGreaterThanOrEqual($before, $pictured, 'What was acknowledged before it began is in it.');
        self::assertSame(
            $pictured,
            (int) $copy->query('select revision - 1 from installations')?->fetchColumn(),
            'No event without its count, no count without its event.',
        );
        foreach (
            $copy
                ->query("select definition->>'picture' from events where kind = 'pictured'")
                ?->fetchAll(PDO::FETCH_COLUMN) ?:
            [] as $picture
        ) {
            $path = $this->folder.'/copy/pictures/'.$picture;
            self::assertFileExists($path);
            self::assertSame(substr((string) $picture, 0, 64), hash_file('sha256', $path));
        }

        $this->run_(['bin/backup', $this->folder.'/quiet.sartal'], self::SOURCE, 'source');
        $refused = $this->process(['bin/restore', $this->folder.'/quiet.sartal'], self::COPY, 'copy');
        $refused->run();
        self::assertSame(1, $refused->getExitCode());
        self::assertStringContainsString('--replace', $refused->getErrorOutput());
        $this->run_(['bin/restore', $this->folder.'/quiet.sartal', '--replace'], self::COPY, 'copy');
        self::assertSame(self::all(self::SOURCE), self::all(self::COPY));
        self::assertSame(0, (new Process(['diff', '-r', $this->folder.'/source', $this->folder.'/copy']))->run());

        $this->damaged();
    }

    private function damaged(): void
    {
        $bytes = (string) file_get_contents($this->folder.'/quiet.sartal');
        file_put_contents($this->folder.'/short.sartal', substr($bytes, 0, (int) (strlen($bytes) / 2)));
        file_put_contents($this->folder.'/other.sartal', 'no backup at all');
        foreach (['short', 'other'] as $name) {
            $process = $this->process(
                ['bin/restore', $this->folder."/{$name}.sartal", '--replace'],
                self::COPY,
                'copy',
            );
            $process->run();
            self::assertSame(1, $process->getExitCode());
            self::assertSame(
                self::all(self::SOURCE),
                self::all(self::COPY),
                'A backup that is no use changes nothing.',
            );
        }
        $process = $this->process(['bin/backup', $this->folder.'/quiet.sartal'], self::SOURCE, 'source');
        $process->run();
        self::assertSame(1, $process->getExitCode(), 'Nothing is written over.');
    }

    /** Unpacked, changed, and packed again with sums of its own. @param  callable(string): void  $change */
    private function altered(string $name, callable $change, bool $newSums = true): string
    {
        $folder = $this->folder.'/'.$name;
        mkdir($folder);
        (new Process(['tar', '-C', $folder, '-xzf', $this->folder.'/whole.sartal']))->mustRun();
        $change($folder);
        if ($newSums) {
            (new Process(
                [
                    'bash',
                    '-c',
                    'find . -type f ! -name SHA256SUMS ! -name SEAL -print0 | sort -z | xargs -0 sha256sum >SHA256SUMS',
                ],
                $folder,
            ))->mustRun();
        }
        (new Process(['tar', '-C', $folder, '-czf', $this->folder.'/'.$name.'.sartal', '.']))->mustRun();

        return $this->folder.'/'.$name.'.sartal';
    }

    public function test_what_was_altered_after_it_was_written_is_not_restored(): void
    {
        file_put_contents($this->folder.'/source/pictures/a.jpg', 'a picture');
        $said = $this->run_(['bin/backup', $this->folder.'/whole.sartal'], self::SOURCE, 'source');
        self::assertSame(1, preg_match('~Its seal is ([0-9a-f-]{39})~', $said, $seal), $said);
        $refused = [
            'link' => [
                $this->altered('link', static function (string $folder): void {
                    symlink('/etc', $folder.'/uploads/pictures/etc');
                }),
                'neither a file nor a folder',
            ],
            'more' => [
                $this->altered(
                    'more',
                    static function (string $folder): void {
                        file_put_contents($folder.'/uploads/pictures/b.jpg', 'not listed');
                    },
                    false,
                ),
                'sums do not list',
            ],
            'elsewhere' => [
                $this->altered('elsewhere', static function (string $folder): void {
                    file_put_contents($folder.'/artisan', '<?php');
                }),
                'no backup has',
            ],
            'bytes' => [
                $this->altered(
                    'bytes',
                    static function (string $folder): void {
                        file_put_contents($folder.'/uploads/pictures/a.jpg', 'another');
                    },
                    false,
                ),
                'sums do not agree',
            ],
            // Whoever alters it makes its sums anew; the seal they cannot make.
            'resummed' => [
                $this->altered('resummed', static function (string $folder): void {
                    file_put_contents($folder.'/uploads/pictures/a.jpg', 'another');
                }),
                'not sealed on this machine, or it was altered',
            ],
            'of the first kind' => [
                $this->altered('first', static function (string $folder): void {
                    file_put_contents($folder.'/FORMAT', "sartal-backup 1\n");
                    unlink($folder.'/SEAL');
                }),
                'has no seal',
            ],
        ];
        foreach ($refused as $what => [$file, $words]) {
            $process = $this->process(['bin/restore', $file], self::COPY, 'copy');
            $process->run();
            self::assertSame(1, $process->getExitCode(), $what);
            self::assertStringContainsString($words, $process->getErrorOutput(), $what);
        }
        // Sealed with the key that lies in it, as anybody could: the code tells them apart.
        $file = $this->altered('forged', static function (string $folder): void {
            file_put_contents($folder.'/uploads/pictures/a.jpg', 'another');
        });
        $code = $this->process(['bin/restore', $file, '--seal', $seal[1]], self::COPY, 'copy');
        $code->run();
        self::assertSame(1, $code->getExitCode());
        self::assertStringContainsString('it is another backup, or it was altered', $code->getErrorOutput());
        self::assertFalse(
            self::pdo('postgres')
                ->query("select 1 from pg_database where datname = '".self::COPY."'")
                ?->fetchColumn(),
            'Nothing of any of them came in.',
        );

        $whole = $this->folder.'/whole.sartal';
        $this->run_(['bin/restore', $whole, '--seal', $seal[1]], self::COPY, 'copy');
        self::assertSame(self::all(self::SOURCE), self::all(self::COPY));
        $this->run_(['bin/restore', $refused['of the first kind'][0], '--unsealed', '--replace'], self::COPY, 'copy');
        self::assertSame(self::all(self::SOURCE), self::all(self::COPY));
        self::assertSame('a picture', file_get_contents($this->folder.'/copy/pictures/a.jpg'));
    }

    /** Whatever is in a backup is read by a role that may nothing outside its own databases. */
    public function test_the_application_and_a_restore_are_no_owner_of_the_cluster(): void
    {
        $role = self::pdo(self::SOURCE)
            ->query('select rolsuper, rolcreaterole from pg_roles where rolname = current_user')
            ?->fetch(PDO::FETCH_NUM);
        self::assertSame([false, false], $role);
        $this->expectException(\PDOException::class);
        $this->expectExceptionMessage('must be superuser');
        self::pdo(self::SOURCE)->exec("create table x (y text); copy x from program 'id'");
    }
}
