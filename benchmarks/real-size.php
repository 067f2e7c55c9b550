<?php

declare(strict_types=1);

/*
 * What pages cost at real size: php benchmarks/real-size.php FILE…
 * Needs a PostgreSQL as bin/start brings it up: DB_PORT and its credentials,
 * and in DB_DATABASE a database that may be emptied; SARTAL_CACHE, a folder
 * that may. Files: installations as they are exported. Each request is a
 * process of its own, with its code compiled beforehand as a web server has
 * it, and says what it took of the processor, of memory and of the database,
 * and how much it answered.
 */

use App\Formats\FileImporter;
use App\Models\Organisation;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Contracts\Http\Kernel as HttpKernel;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Sartal\Core\File\InstallationFile;
use Symfony\Component\HttpFoundation\Response;

require __DIR__.'/../vendor/autoload.php';

$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
ini_set('memory_limit', '2G');

/** s of the processor so far */
function cpu(): float
{
    $used = getrusage() ?: [];

    return ($used['ru_utime.tv_sec'] ?? 0) +
        ($used['ru_stime.tv_sec'] ?? 0) +
        (($used['ru_utime.tv_usec'] ?? 0) + ($used['ru_stime.tv_usec'] ?? 0)) / 1e6;
}

/**
 * One request, in this process.
 *
 * @param  ?array<string, mixed>  $body  null: it is read
 */
function ask(HttpKernel $kernel, string $installation, string $path, ?array $body = null): Response
{
    $lead = User::query()->where('name', 'Measured lead')->firstOrFail();
    Auth::setUser($lead);
    // The page that would have the token is not there.
    ValidateCsrfToken::except(['*']);
    $request = Request::create(
        'http://127.0.0.1/api/i/'.$installation.'/'.$path,
        $body['method'] ?? 'GET',
        [],
        [],
        [],
        [
            'HTTP_ACCEPT' => 'application/json',
            'HTTP_ACCEPT_ENCODING' => $body === null ? 'gzip' : '',
            'CONTENT_TYPE' => 'application/json',
        ],
        $body === null ? null : (string) json_encode($body['data']),
    );
    $request->setUserResolver(static fn (): User => $lead);

    return $kernel->handle($request);
}

/** What it took, in a line. */
function line(callable $ask): string
{
    $queries = 0;
    DB::listen(static function () use (&$queries): void {
        $queries++;
    });
    $began = cpu();
    $response = $ask();

    return sprintf(
        '%d %7d ms %5d MB %4d queries %7.1f kB%s',
        $response->getStatusCode(),
        1000 * (cpu() - $began),
        memory_get_peak_usage() / 1e6,
        $queries,
        strlen((string) $response->getContent()) / 1000,
        $response->getStatusCode() < 400 ? '' : ' '.substr((string) $response->getContent(), 0, 200),
    );
}

/** In a process of its own. */
function apart(string ...$arguments): string
{
    $command = [
        PHP_BINARY,
        '-d',
        'opcache.enable_cli=1',
        '-d',
        'opcache.file_cache='.compiled(),
        '-d',
        'max_execution_time=0',
        __FILE__,
        ...$arguments,
    ];

    return trim((string) shell_exec(implode(' ', array_map(escapeshellarg(...), $command)).' 2>&1'));
}

/** Where code is that was compiled before. */
function compiled(): string
{
    $folder = sys_get_temp_dir().'/sartal-compiled';
    is_dir($folder) || mkdir($folder);

    return $folder;
}

/**
 * What is written most: a step at the bench, a test, an edit of one run that asks what it overtakes.
 *
 * @return array<string, array{string, array{method: string, data: array<string, mixed>}}> by what it is: where, what
 */
function writes(HttpKernel $kernel, StoredInstallation $stored): array
{
    $asked = static fn (string $path): array => (array) json_decode(
        (string) ask($kernel, $stored->address, $path, ['method' => 'GET', 'data' => []])->getContent(),
        true,
    );
    $rows = $asked('schedule')['rows'];
    $state = static fn (array $row, string $stage): string => array_column($row['strand'], 'state', 'stage')[$stage] ??
        '';
    $made = current(
        array_filter(
            $rows,
            static fn (array $row): bool => $state($row, 'end-a') === 'done' &&
                $state($row, 'end-b') === 'done' &&
                $state($row, 'test') === 'to-do',
        ),
    );
    $job = current(array_filter($rows, static fn (array $row): bool => $state($row, 'end-b') === 'to-do'));
    $page = $asked('bench/'.$job['id']);
    $standings = $page['state']['standings'];
    $steps = array_merge(...array_column($page['job']['steps'], 'pieces'));
    $open = array_filter(
        $steps,
        static fn (array $piece): bool => ($standings[$piece['id']]['status'] ?? 'to-do') === 'to-do',
    );
    $step = current($open) ?: $steps[0];
    $event = current(
        array_filter(
            $page['job']['steps'],
            static fn (array $of): bool => in_array($step['id'], array_column($of['pieces'], 'id'), true),
        ),
    )['event'];
    $sheet = $asked('runs/'.$made['id'].'/test');

    return [
        'a step at the bench' => [
            'bench/'.$job['id'].'/events',
            [
                'method' => 'POST',
                'data' => [
                    'id' => Str::uuid()->toString(),
                    'kind' => $event,
                    'run' => $step['run'],
                    'step' => $step['id'],
                    'on' => $standings[$step['id']]['on'] ?? [$page['state']['since']],
                ],
            ],
        ],
        'a test' => [
            'events',
            [
                'method' => 'POST',
                'data' => [
                    'id' => Str::uuid()->toString(),
                    'kind' => 'tested',
                    'run' => $made['id'],
                    'reading' => ['lights' => $sheet['expected']],
                    'on' => $sheet['basis'],
                ],
            ],
        ],
        'a cut' => [
            'events',
            [
                'method' => 'POST',
                'data' => ['id' => Str::uuid()->toString(), 'kind' => 'cut', 'run' => $job['id'], 'on' => []],
            ],
        ],
        'an edit of one run' => [
            'runs/'.$made['id'],
            ['method' => 'PATCH', 'data' => ['version' => $made['version'], 'line' => ['note' => 'measured']]],
        ],
    ];
}

/** Somebody reports something of the installation's first run. */
function report(StoredInstallation $stored, int $turn): void
{
    $run = (string) $stored->runs()->orderBy('id')->value('key');
    $row = $stored->events()->orderByDesc('id')->firstOrFail();
    DB::table('events')->insert([
        'uuid' => ($id = Str::uuid()->toString()),
        'installation_id' => $stored->id,
        'run' => $run,
        'kind' => 'reported',
        'step' => '',
        'user_id' => $row->user_id,
        'definition' => json_encode([
            'id' => $id,
            'kind' => 'reported',
            'run' => $run,
            'at' => ($at = now('UTC')->addSeconds($turn)->format('Y-m-d\TH:i:s\Z')),
            'received' => $at,
            'note' => 'measured',
        ]),
        'created_at' => now(),
    ]);
}

$argv ??= [];
[, $first] = $argv + [1 => ''];
if ($first === '--one') {
    $body = isset($argv[4]) ? json_decode($argv[4], true) : null;
    echo line(static fn (): Response => ask($app->make(HttpKernel::class), $argv[2], $argv[3], $body)), "\n";
    exit(0);
}
if ($first === '--writes') {
    $stored = StoredInstallation::query()->where('address', $argv[2])->firstOrFail();
    echo json_encode(writes($app->make(HttpKernel::class), $stored));
    exit(0);
}

Artisan::call('migrate:fresh', ['--force' => true]);
$organisation = Organisation::query()->create(['name' => 'Measured']);
$lead = User::query()->create([
    'organisation_id' => $organisation->id,
    'key' => (string) Str::uuid(),
    'sign_in' => 'measured@sartal.example',
    'name' => 'Measured lead',
    'offices' => ['people', 'installations'],
]);
foreach (array_slice($argv, 1) as $file) {
    $began = cpu();
    $stored = (new FileImporter())->import(InstallationFile::parse((string) file_get_contents($file)), $organisation);
    $stored->take($lead, ['planner', 'bench', 'installer', 'tester', 'lead'], []);
    $run = (string) $stored->runs()->orderBy('id')->value('key');
    printf(
        "\n%s: %d runs, %d events, imported in %.1f s\n",
        basename($file),
        $stored->runs()->count(),
        $stored->events()->count(),
        cpu() - $began,
    );
    $pages = [
        'schedule',
        'outstanding',
        'bench',
        'bench/'.$run,
        'crew/board',
        'crew',
        'tests/progress',
        'site',
        'handover',
        'overtaken',
        'runs/'.$run,
        'runs/'.$run.'/test?stage=bench',
        'runs/'.$run.'/sheet/A',
        'cutting',
        'parts?scope=installation&brief=1',
        'labels/shown?usual=1&only=left',
        'building?brief=1',
        'looms',
        'reach?brief=1',
        'equipment',
        'service',
    ];
    apart('--one', $stored->address, 'drafts');
    printf("  %-26s %-15s %s\n", 'drafts: a bare route', 'again', apart('--one', $stored->address, 'drafts'));
    foreach ($pages as $path) {
        foreach (['first', 'again', 'after a record'] as $turn => $when) {
            if ($turn === 2) {
                report($stored, $turn);
            }
            printf("  %-26s %-15s %s\n", $path, $when, apart('--one', $stored->address, $path));
        }
    }
    /** @var array<string, array{string, array<string, mixed>}> $writes */
    $writes = json_decode(apart('--writes', $stored->address), true) ?? [];
    foreach ($writes as $what => [$path, $body]) {
        printf("  %-26s %-15s %s\n", $what, '', apart('--one', $stored->address, $path, (string) json_encode($body)));
    }
}
