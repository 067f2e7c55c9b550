<?php

declare(strict_types=1);

namespace Tests\Witness;

use Symfony\Component\Process\Process;

/** The files of one witness: what one version of Sartal left behind, and what it was then. */
final readonly class Witness
{
    /** UTC. Everything of a witness is looked at at this moment, then as now. */
    public const LOOKED_AT = '2026-11-28 09:00:00';

    /** Stands in printed codes. */
    public const ADDRESS = 'http://127.0.0.1:8080';

    /** Signs nothing but the witness. */
    public const KEY = 'the witness signs with this key.';

    /** Kept beside the record, never part of it. */
    private const PASSING = ['cache', 'cache_locks', 'sessions', 'bench_places'];

    public string $folder;

    public function __construct(string $version)
    {
        $this->folder = __DIR__.'/'.$version;
    }

    /** Keeps away from what any other database has left in this machine's caches. */
    public static function apart(string $folder): void
    {
        config([
            'cache.stores.file.path' => $folder.'/cache',
            'app.url' => self::ADDRESS,
            'app.key' => 'base64:'.base64_encode(self::KEY),
        ]);
        app('cache')->forgetDriver('file');
    }

    /** Where the files of the application in hand lie. */
    public static function uploads(): string
    {
        return (string) config('filesystems.disks.local.root');
    }

    public function dump(): void
    {
        $tables = array_map(static fn (string $table): string => '--exclude-table-data='.$table, self::PASSING);
        $sql = (new Process([
            self::program('pg_dump'),
            ...self::database(),
            '--no-owner',
            '--no-privileges',
            ...$tables,
        ]))
            ->mustRun()
            ->getOutput();
        file_put_contents($this->folder.'/database.sql.gz', (string) gzencode($sql, 9));
        (new Process([
            'tar',
            '-C',
            self::uploads(),
            '--sort=name',
            '--mtime=2026-11-28',
            '--owner=0',
            '--group=0',
            '-cJf',
            $this->folder.'/uploads.tar.xz',
            'packs',
            'pictures',
        ]))->mustRun();
    }

    /** Into the database and the folder that the application in hand is set to; both are empty. */
    public function restore(): void
    {
        (new Process(
            [self::program('psql'), ...self::database(), '-q', '-v', 'ON_ERROR_STOP=1'],
            input: $this->get('database.sql'),
        ))
            ->setTimeout(120)
            ->mustRun();
        (new Process(['tar', '-C', self::uploads(), '-xJf', $this->folder.'/uploads.tar.xz']))->mustRun();
    }

    /** @return list<string> */
    private static function database(): array
    {
        $of = static fn (string $key): string => strval(config('database.connections.pgsql.'.$key));

        return ['-h', $of('host'), '-p', $of('port'), '-U', $of('username'), '-d', $of('database')];
    }

    private static function program(string $name): string
    {
        $found =
            glob('/usr/lib/postgresql/*/bin/'.$name) ?:
            throw new \RuntimeException('PostgreSQL has no '.$name.' here.');
        natsort($found);

        return array_pop($found);
    }

    public function put(string $name, string $bytes): void
    {
        file_put_contents($this->folder.'/'.$name.'.gz', (string) gzencode($bytes, 9));
    }

    public function get(string $name): string
    {
        return (string) gzdecode((string) file_get_contents($this->folder.'/'.$name.'.gz'));
    }

    /** @param  array<mixed>  $data */
    public function putData(string $name, array $data): void
    {
        $this->put(
            $name,
            json_encode(
                $data,
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ),
        );
    }

    /** @return array<mixed> */
    public function data(string $name): array
    {
        return (array) json_decode($this->get($name), true, 512, JSON_THROW_ON_ERROR);
    }

    /** @return list<array{path: string, body: array<string, mixed>, who: string}> what a device had not sent yet */
    public function outbox(): array
    {
        /** @var array<string, string> $storage */
        $storage = json_decode(
            (string) file_get_contents($this->folder.'/device.json'),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );

        /** @var list<array{path: string, body: array<string, mixed>, who: string}> */
        return json_decode($storage['sartal.outbox'], true, 512, JSON_THROW_ON_ERROR);
    }
}
