<?php

declare(strict_types=1);

/*
 * What pages cost at real size: php benchmarks/real-size.php FILE…
 * Needs a PostgreSQL as bin/start brings it up: DB_PORT and its credentials,
 * and in DB_DATABASE a database that may be emptied; SARTAL_CACHE, a folder
 * that may. Files: installations as they are exported. Requests go to a server
 * of its own (benchmarks/served.php), which has its code compiled as a server
 * has, and says of each what it took of the processor, of memory and of the
 * database, and how much it answered; then, for all files together, each as a
 * ratio to a bare authorised route, and how it grows with the number of runs.
 */

use App\Bench\CodeEdition;
use App\Changes\Intent;
use App\Formats\FileImporter;
use App\Models\Organisation;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\InstallationStore;
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

/** In a process of its own. */
function apart(string ...$arguments): string
{
    $command = implode(' ', array_map(escapeshellarg(...), [PHP_BINARY, __FILE__, ...$arguments]));

    return trim((string) shell_exec($command.' 2>&1'));
}

/**
 * A server until the end of this process, as bin/start has it.
 *
 * @return string where it listens
 */
function served(): string
{
    $socket = stream_socket_server('tcp://127.0.0.1:0');
    $at = $socket === false ? '' : (string) stream_socket_get_name($socket, false);
    $socket === false || fclose($socket);
    $options = ['opcache.enable_cli=1', 'opcache.validate_timestamps=0', 'memory_limit=2G', 'max_execution_time=0'];
    $options = array_merge(...array_map(static fn (string $option): array => ['-d', $option], $options));
    putenv('SARTAL_EDITION='.CodeEdition::id());
    // One process: others would go on without it.
    putenv('PHP_CLI_SERVER_WORKERS');
    putenv('APP_ROUTES_CACHE='.sys_get_temp_dir().'/sartal-measured-routes.php');
    shell_exec(implode(' ', array_map(escapeshellarg(...), [PHP_BINARY, base_path('artisan'), 'route:cache'])));
    $server = proc_open(
        [PHP_BINARY, ...$options, '-S', $at, __DIR__.'/served.php'],
        [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']],
        $pipes,
    );
    is_resource($server) || exit("No server could be started.\n");
    register_shutdown_function(static fn () => proc_terminate($server));
    for ($i = 0; $i < 100 && @fsockopen('tcp://'.$at) === false; $i++) {
        usleep(50_000);
    }

    return $at;
}

/**
 * One request, and what it took, in a line.
 *
 * @param  ?array{method: string, data: array<string, mixed>}  $body  null: it is read
 */
function line(string $at, string $installation, string $path, ?array $body = null): string
{
    $headers = ['Accept: application/json', 'Content-Type: application/json'];
    $headers[] = $body === null ? 'Accept-Encoding: gzip' : 'Sartal-Installation: '.$installation;
    $headers[] = Intent::HEADER.': '.Intent::Ask->value;
    $context = stream_context_create([
        'http' => [
            'method' => $body['method'] ?? 'GET',
            'header' => $headers,
            'content' => $body === null ? '' : (string) json_encode($body['data']),
            'ignore_errors' => true,
            'timeout' => 600,
        ],
    ]);
    $text = (string) file_get_contents('http://'.$at.'/api/i/'.$installation.'/'.$path, false, $context);
    $said = implode("\n", $http_response_header);
    preg_match('~^HTTP/\S+ (\d+)~', $said, $status);
    preg_match('~^Measured: (.*)$~mi', $said, $took);

    return sprintf(
        '%s %s %7.1f kB%s',
        $status[1] ?? 'none',
        trim($took[1] ?? ''),
        strlen($text) / 1000,
        (int) ($status[1] ?? 0) < 400 ? '' : ' '.substr($text, 0, 200),
    );
}

/** ms of the processor that a line says. */
function spent(string $line): float
{
    return preg_match('~(\d+) ms~', $line, $found) === 1 ? (float) $found[1] : 0.0;
}

/**
 * A way that carries about fifty runs, half a metre longer.
 *
 * @param  Closure(string): array<array-key, mixed>  $asked
 * @return array{string, array{method: string, data: array<string, mixed>}}
 */
function moved(Closure $asked): array
{
    $ways = $asked('building?brief=1')['ways'];
    usort($ways, static fn (array $a, array $b): int => abs(count($a['runs']) - 50) <=> abs(count($b['runs']) - 50));
    ['part' => $way, 'version' => $version] = $ways[0];
    $longer = sprintf('%d mm', (int) $way['length'] + 500);

    return [
        'shared/way',
        ['method' => 'PUT', 'data' => ['part' => ['length' => $longer] + $way, 'version' => max(1, $version)]],
    ];
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
        'a way of fifty runs moved' => moved($asked),
    ];
}

/** Decoding of all that is decided, and planning of it, from nothing, in a process of its own: ms of the processor. */
function whole(StoredInstallation $stored): string
{
    $began = cpu();
    $loaded = (new InstallationStore())->load($stored);
    $decoded = cpu();
    $findings = count($loaded->plan()->judged());
    $planned = cpu();

    return sprintf(
        '%d ms decoded, %d ms planned, %d findings, %d MB',
        1000 * ($decoded - $began),
        1000 * ($planned - $decoded),
        $findings,
        memory_get_peak_usage() / 1e6,
    );
}

/**
 * @param  array<int|string, array<int|string, float>>  $took  what → runs → ms
 * @param  array<int|string, float>  $bare  runs → ms of a bare route
 */
function table(array $took, array $bare): void
{
    $sizes = array_keys($bare);
    printf("\n%-50s %s  growth\n", 'ms, and how many times a bare route', implode('', array_map(
        static fn (int|string $runs): string => sprintf('%18s', $runs.' runs'),
        $sizes,
    )));
    foreach ($took as $what => $by) {
        $first = $by[$sizes[0]] ?? 0.0;
        $last = $by[$sizes[count($sizes) - 1]] ?? 0.0;
        // Cost is to the number of runs as its power of this.
        $growth = count($sizes) > 1 && $first > 0 && $last > 0
            ? sprintf('%.2f', log($last / $first) / log($sizes[count($sizes) - 1] / $sizes[0]))
            : '';
        printf("%-50s %s  %s\n", $what, implode('', array_map(
            static fn (int|string $runs): string => sprintf(
                '%10.0f (%5.1f)',
                $by[$runs] ?? 0,
                ($by[$runs] ?? 0) / max(1, $bare[$runs]),
            ),
            $sizes,
        )), $growth);
    }
}

/**
 * The first cut that the cut plan has, as it has it.
 *
 * @return array{method: string, data: array<string, mixed>}
 */
function cut(string $at, string $installation): array
{
    $context = stream_context_create(['http' => ['header' => 'Accept: application/json', 'timeout' => 600]]);
    $page = (string) file_get_contents('http://'.$at.'/api/i/'.$installation.'/cutting', false, $context);
    $cutting = (array) json_decode($page, true);
    $assigned = array_merge(...array_column($cutting['cables'] ?? [], 'assigned'))[0];
    $cut = $assigned['cuts'][0];
    $isBought = $assigned['stock']['kind'] === 'to-buy';

    return [
        'method' => 'POST',
        'data' => [
            'id' => Str::uuid()->toString(),
            'kind' => 'cut',
            'run' => $cut['run'],
            'at' => now('UTC')->format('Y-m-d\TH:i:s\Z'),
            'on' => $cut['basis'],
            'cut' => ['length' => $cut['length'], 'reel' => $isBought ? null : $assigned['stock']['id']],
        ],
    ];
}

/**
 * Another note on a run; what it overtakes is asked first.
 *
 * @return array{method: string, data: array<string, mixed>}
 */
function edit(StoredInstallation $stored, string $run): array
{
    return [
        'method' => 'PATCH',
        'data' => [
            'version' => (int) $stored->runs()->where('key', $run)->value('version'),
            'line' => ['note' => 'measured '.Str::random(8)],
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
if ($first === '--whole') {
    echo whole(StoredInstallation::query()->where('address', $argv[2])->firstOrFail());
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
$at = served();
$took = $bare = [];
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
    $runs = $stored->runs()->count();
    $many = static function (string $what, string $when, string $line) use (&$took, $runs): void {
        printf("  %-26s %-15s %s\n", $what, $when, $line);
        $took[trim($what.', '.$when, ', ')][$runs] = spent($line);
    };
    $spelled = (string) file_get_contents($file);
    $began = cpu();
    json_decode($spelled, true);
    $took['json_decode of the file'][$runs] = 1000 * (cpu() - $began);
    $whole = apart('--whole', $stored->address);
    printf("  %-26s %s; %d ms json_decode of the file\n", 'all from nothing', $whole, 1000 * (cpu() - $began));
    $pages = [
        'since',
        'schedule',
        'outstanding',
        'bench',
        'bench/'.$run,
        'crew/board',
        'progress',
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
    line($at, $stored->address, 'drafts');
    $bare[$runs] = spent(line($at, $stored->address, 'drafts'));
    $many('drafts: a bare route', 'again', line($at, $stored->address, 'drafts'));
    foreach ($pages as $path) {
        foreach (['first', 'again', 'after a record'] as $turn => $when) {
            if ($turn === 2) {
                report($stored, $turn);
            }
            $many(str_replace($run, 'RUN', $path), $when, line(
                $at,
                $stored->address,
                $path,
            ));
        }
    }
    foreach ($pages as $path) {
        line($at, $stored->address, 'runs/'.$run, edit($stored, $run));
        $many(str_replace($run, 'RUN', $path), 'after an edit', line($at, $stored->address, $path));
    }
    $many('an edit of a note', 'asked first', line($at, $stored->address, 'runs/'.$run, edit($stored, $run)));
    foreach (['cutting', 'parts?scope=installation&brief=1', 'parts?scope=installation&brief=1&left=1'] as $path) {
        line($at, $stored->address, $path);
        $many('a cut', '', line($at, $stored->address, 'events', cut($at, $stored->address)));
        $many($path, 'after it', line($at, $stored->address, $path));
    }
    /** @var array<string, array{string, array{method: string, data: array<string, mixed>}}> $writes */
    $writes = json_decode(apart('--writes', $stored->address), true) ?? [];
    foreach ($writes as $what => [$path, $body]) {
        $many((string) $what, '', line($at, $stored->address, $path, $body));
    }
}
table($took, $bare);
