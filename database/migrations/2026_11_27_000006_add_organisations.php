<?php

declare(strict_types=1);

use App\Models\PersonKey;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * A database was one company's: what there is becomes its organisation. Roles and skills go from the person to each
 * crew that the person is of, so that everybody may do what they could. Leads could add people, leads and planners
 * installations: that is their office now.
 */
return new class extends Migration
{
    private const NAME = 'Our organisation';

    public function up(): void
    {
        Schema::create('organisations', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->unsignedInteger('version')->default(1);
            $table->timestampsTz();
        });
        Schema::table('users', function (Blueprint $table): void {
            $table->foreignId('organisation_id')->nullable()->constrained();
            // What records call a person by; the name is here alone.
            $table->string('key', 40)->nullable()->unique();
            $table->json('offices')->default('[]');
            // Null: known from a file, or invited and not come yet.
            $table->string('sign_in')->nullable()->change();
            // The sign-in name that a file or whoever invited them gave; whether it is theirs they say when they come.
            $table->string('known_as')->nullable()->index();
        });
        Schema::table('installations', function (Blueprint $table): void {
            $table->foreignId('organisation_id')->nullable()->constrained();
            // Since then it is read and not written; null: in use.
            $table->timestampTz('archived_at')->nullable();
        });
        Schema::rename('crew', 'memberships');
        Schema::table('memberships', function (Blueprint $table): void {
            $table->json('roles')->default('[]');
            $table->json('skills')->default('[]');
            // Since then not of the crew any more; the record still knows them.
            $table->timestampTz('ended_at')->nullable();
        });
        $this->carryOver();
        Schema::table('users', function (Blueprint $table): void {
            $table->string('key', 40)->nullable(false)->change();
            $table->foreignId('organisation_id')->nullable(false)->change();
            $table->dropColumn(['roles', 'skills']);
        });
        Schema::table('installations', function (Blueprint $table): void {
            $table->foreignId('organisation_id')->nullable(false)->change();
            // Another organisation may use the same file.
            $table->dropUnique(['key']);
            $table->unique(['organisation_id', 'key']);
        });
    }

    private function carryOver(): void
    {
        if (DB::table('users')->doesntExist() && DB::table('installations')->doesntExist()) {
            return;
        }
        $organisation = DB::table('organisations')->insertGetId([
            'name' => self::NAME,
            'created_at' => now(),
            'updated_at' => now(),
        ]);
        DB::table('installations')->update(['organisation_id' => $organisation]);
        foreach (
            DB::table('users')
                ->orderBy('id')
                ->get(['id', 'roles']) as $user
        ) {
            $roles = (array) json_decode((string) $user->roles, true);
            DB::table('users')
                ->where('id', $user->id)
                ->update([
                    'organisation_id' => $organisation,
                    'key' => PersonKey::mint(),
                    'offices' => json_encode(
                        match (true) {
                            in_array('lead', $roles, true) => ['people', 'installations'],
                            in_array('planner', $roles, true) => ['installations'],
                            default => [],
                        },
                    ),
                ]);
        }
        DB::update('update users set known_as = sign_in');
        // Whoever is in a record is known to its installation.
        DB::insert(
            <<<'SQL'
            insert into memberships (installation_id, user_id, ended_at)
            select distinct events.installation_id, events.user_id, now() from events
            where not exists (
                select from memberships
                where memberships.installation_id = events.installation_id and memberships.user_id = events.user_id
            )
            SQL
            ,
        );
        DB::update(
            'update memberships set roles = users.roles, skills = users.skills from users where users.id = user_id',
        );
    }

    public function down(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->json('roles')->default('[]');
            $table->json('skills')->default('[]');
        });
        DB::update(
            'update users set roles = memberships.roles, skills = memberships.skills from memberships where users.id '.
                '= user_id',
        );
        Schema::table('memberships', fn (Blueprint $table) => $table->dropColumn(['roles', 'skills', 'ended_at']));
        Schema::rename('memberships', 'crew');
        Schema::table('installations', function (Blueprint $table): void {
            $table->dropUnique(['organisation_id', 'key']);
            $table->unique('key');
            $table->dropColumn('archived_at');
            $table->dropConstrainedForeignId('organisation_id');
        });
        Schema::table('users', function (Blueprint $table): void {
            $table->dropColumn(['key', 'offices', 'known_as']);
            $table->dropConstrainedForeignId('organisation_id');
        });
        Schema::dropIfExists('organisations');
    }
};
