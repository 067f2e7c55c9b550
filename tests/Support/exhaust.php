<?php

declare(strict_types=1);

/*
 * A page that takes too much, in a process of its own:
 * php -d memory_limit=… -d max_execution_time=… exhaust.php WHAT
 * The process ends as a web server's would; what it answers is printed, and with which status.
 */

use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Route;

require __DIR__.'/../../vendor/autoload.php';

$app = require __DIR__.'/../../bootstrap/app.php';
// Before the routes of the application, of which one takes whatever is left.
$app->booting(static function (): void {
    config(['session.driver' => 'array', 'logging.channels.single.path' => getenv('SARTAL_TEST_LOG')]);
    // The last to be registered ends last.
    register_shutdown_function(static function (): void {
        register_shutdown_function(static function (): void {
            echo "\n", http_response_code();
        });
    });
    Route::get('api/exhaust/memory', static function (): void {
        $all = [];
        while (true) {
            $all[] = str_repeat('x', 1024).count($all);
        }
    });
    Route::get('api/exhaust/time', static function (): void {
        while (true) {
            hash('sha256', 'x');
        }
    });
});
$request = Request::create(
    'http://localhost/api/exhaust/'.$argv[1],
    'GET',
    [],
    [],
    [],
    ['HTTP_ACCEPT' => 'application/json'],
);
$app->make(Kernel::class)->handle($request)->send();
