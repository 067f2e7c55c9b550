<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Planning\Loaded;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/** What an address names below its installation; where it names nothing, that is the answer. */
final class Addressed
{
    public static function run(Loaded $loaded, string $id): Run
    {
        return $loaded->installation->run($id) ?? abort(404, 'There is no such run here. It may have been removed.');
    }

    public static function side(string $side): Side
    {
        return Side::tryFrom(strtoupper($side)) ?? abort(404, 'A run has an end A and an end B.');
    }
}
