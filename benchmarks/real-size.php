<?php

declare(strict_types=1);

/*
 * What pages cost at real size: php benchmarks/real-size.php FILE…
 * Needs a PostgreSQL as bin/start brings it up: DB_PORT and its credentials,
 * and in DB_DATABASE a database that may be emptied; SARTAL_CACHE, a folder
 * that may. Files: installations as they are exported. Each request is a
 * process of its own, and says what it took of the processor, of memory and
 * of the database, and how much it answered.
 */

use App\Formats\FileImporter;
use App\Models\Organisation;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Contracts\Http\Kernel as HttpKernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Sartal\Core\File\InstallationFile;

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

/** One request, in this process. */
function ask(HttpKernel $kernel, string $installation, string $path): string
{
    $lead = User::query()->where('name', 'Measured lead')->firstOrFail();
    Auth::setUser($lead);
    $queries = 0;
    DB::listen(static function () use (&$queries): void {
        $queries++;
    });
    $request = Request::create(
        'http://127.0.0.1/api/i/'.$installation.'/'.$path,
        'GET',
        [],
        [],
        [],
        ['HTTP_ACCEPT' => 'application/json', 'HTTP_ACCEPT_ENCODING' => 'gzip'],
    );
    $request->setUserResolver(static fn (): User => $lead);
    $began = cpu();
    $response = $kernel->handle($request);

    return sprintf(
        '%d %7d ms %5d MB %4d queries %7.1f kB',
        $response->getStatusCode(),
        1000 * (cpu() - $began),
        memory_get_peak_usage() / 1e6,
        $queries,
        strlen((string) $response->getContent()) / 1000,
    );
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

[, $first] = $argv + [1 => ''];
if ($first === '--one') {
    echo ask($app->make(HttpKernel::class), $argv[2], $argv[3]), "\n";
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
        'cutting',
        'parts?scope=installation',
        'labels',
        'building',
        'looms',
        'reach',
    ];
    foreach ($pages as $path) {
        foreach (['first', 'again', 'after a record'] as $turn => $when) {
            if ($turn === 2) {
                report($stored, $turn);
            }
            $took = shell_exec(
                sprintf(
                    '%s -d opcache.enable_cli=1 -d opcache.file_cache= -d max_execution_time=0 %s --one %s %s 2>&1',
                    escapeshellarg(PHP_BINARY),
                    escapeshellarg(__FILE__),
                    escapeshellarg($stored->address),
                    escapeshellarg($path),
                ),
            );
            printf("  %-26s %-15s %s\n", $path, $when, trim((string) $took));
        }
    }
}
