<?php

declare(strict_types=1);

/*
 * What a server answers with where it is measured: every request is that of
 * one person, and says what it took, in a header. Between two of them the
 * measurer asks: php -S … benchmarks/served.php, by benchmarks/real-size.php.
 */

use App\Models\User;
use Illuminate\Contracts\Http\Kernel as HttpKernel;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/** s of the processor so far */
$cpu = static function (): float {
    $used = getrusage() ?: [];

    return ($used['ru_utime.tv_sec'] ?? 0) +
        ($used['ru_stime.tv_sec'] ?? 0) +
        (($used['ru_utime.tv_usec'] ?? 0) + ($used['ru_stime.tv_usec'] ?? 0)) / 1e6;
};
$began = $cpu();
memory_reset_peak_usage();

require __DIR__.'/../vendor/autoload.php';

$app = require __DIR__.'/../bootstrap/app.php';
$kernel = $app->make(HttpKernel::class);
$queries = 0;
$app->booted(static function () use (&$queries): void {
    // The page that would have the token is not there, nor the one that signs in.
    ValidateCsrfToken::except(['*']);
    Auth::setUser(User::query()->where('name', 'Measured lead')->firstOrFail());
    DB::listen(static function () use (&$queries): void {
        $queries++;
    });
});
$request = Request::capture();
$response = $kernel->handle($request);
$response->prepare($request);
$kernel->terminate($request, $response);
$response->headers->set(
    'Measured',
    sprintf(
        '%7d ms %5d MB %4d queries',
        1000 * ($cpu() - $began),
        memory_get_peak_usage() / 1e6,
        $queries,
    ),
);
$response->send();
