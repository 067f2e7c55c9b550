<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Schema;

/**
 * People of the demo stand at the door, where whoever tries it out goes in as one of them. Of a demo that was loaded
 * before: those who still have the password that everybody knows.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', static fn (Blueprint $users) => $users->boolean('shown_at_door')->default(false));
        $demo = DB::table('users')->where('sign_in', 'like', '%@brackwater.example')->whereNotNull('password');
        foreach ($demo->get(['id', 'password']) as $person) {
            if (Hash::check('brackwater', (string) $person->password)) {
                DB::table('users')->where('id', $person->id)->update(['shown_at_door' => true]);
            }
        }
    }

    public function down(): void
    {
        Schema::table('users', static fn (Blueprint $users) => $users->dropColumn('shown_at_door'));
    }
};
