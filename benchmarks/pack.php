<?php

declare(strict_types=1);

/*
 * What a hand-over pack costs: php benchmarks/pack.php
 * Needs a PostgreSQL as bin/start brings it up: DB_PORT, and a database that
 * may be emptied in DB_DATABASE. The demo is repeated until it has as many runs.
 */

use App\Formats\FileImporter;
use App\Handover\PackDesk;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;
use Sartal\Core\Document\InstallationFile;

require __DIR__.'/../vendor/autoload.php';

$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
config(['filesystems.disks.local.root' => sys_get_temp_dir().'/sartal-pack-benchmark']);

/** As many copies of the demo's runs, with what they need and what was done to them, each under ids of its own. */
function repeated(string $json, int $runs): string
{
    $demo = json_decode($json, true, 512, JSON_THROW_ON_ERROR);
    $copies = (int) ceil($runs / count($demo['runs']));
    $all = $demo;
    foreach (['circuits', 'equipment', 'fittings', 'matings', 'links', 'switches', 'panels', 'runs', 'record'] as $list) {
        $all[$list] = [];
    }
    $ids = [];
    foreach (['circuits', 'equipment', 'fittings', 'switches', 'panels', 'runs'] as $list) {
        array_push($ids, ...array_column($demo[$list], 'id'));
    }
    usort($ids, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));
    for ($copy = 0; $copy < $copies; $copy++) {
        foreach (['circuits', 'equipment', 'fittings', 'matings', 'links', 'switches', 'panels', 'runs', 'record'] as $list) {
            foreach ($demo[$list] as $entry) {
                $text = json_encode($entry, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
                // Ids of runs begin every id of their parts, so that the longest id that fits is replaced once.
                $text = preg_replace_callback('~(?<=["/:>|])([A-Z]-\d{3}|split[a-z0-9-]*|lift-\d+)(?=["./:|>])~', static fn (array $m): string => $m[1].'~'.$copy, $text);
                $entry = json_decode((string) $text, true, 512, JSON_THROW_ON_ERROR);
                if ($list === 'runs') {
                    $entry['code'] .= '-'.$copy;
                }
                if ($list === 'record') {
                    $entry['id'] = sprintf('%08x', $copy).substr($entry['id'], 8);
                    $entry['fingerprint'] = '';
                    unset($entry['joints']);
                }
                if ($list === 'equipment' && $copy > 0) {
                    continue;
                }
                $all[$list][] = $entry;
            }
        }
    }

    return json_encode($all, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
}

printf("%8s %8s %10s %8s %10s %10s\n", 'runs', 'events', 'pack, s', 'pages', 'size, MB', 'peak, MB');
foreach ([100, 500] as $count) {
    Artisan::call('migrate:fresh', ['--force' => true]);
    $stored = (new FileImporter)->import(InstallationFile::parse(repeated((string) file_get_contents(__DIR__.'/../database/demo/brackwater.json'), $count)));
    memory_reset_peak_usage();
    $start = hrtime(true);
    $pack = $app->make(PackDesk::class)->make($stored, User::query()->firstOrFail(), static fn () => null);
    printf("%8d %8d %10.1f %8d %10.1f %10.0f\n", $stored->runs()->count(), $stored->events()->count(), (hrtime(true) - $start) / 1e9, $pack->pages, array_sum(array_column($pack->files, 'bytes')) / 1e6, memory_get_peak_usage() / 1e6);
}
