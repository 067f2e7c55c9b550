<?php

declare(strict_types=1);

namespace App\Who;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Writes down who came in, who may what, and what left the application. */
final class Logbook
{
    public static function write(Entry $what, string $words, User $by, ?StoredInstallation $in = null): void
    {
        DB::table('logbook')->insert([
            'organisation_id' => $by->organisation_id,
            'installation_id' => $in?->id,
            'user_id' => $by->id,
            'what' => $what->value,
            'words' => mb_substr($words, 0, 1000),
            'created_at' => now('UTC')->format('Y-m-d H:i:s.uP'),
        ]);
    }
}
