<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Which runs a decision had to do with, and how much more or less was found, where that is known: what was kept of the
 * others is as it was. As all that is
 * kept it can be done without, so that it is not written twice for safety.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(
            'create unlogged table concerned (
                id bigint generated always as identity primary key,
                installation_id bigint not null references installations (id) on delete cascade,
                was varchar(40) not null,
                since varchar(40) not null,
                runs text not null,
                around text not null,
                wrong integer not null
            )',
        );
        DB::statement('create index concerned_since on concerned (installation_id, id)');
    }

    public function down(): void
    {
        Schema::dropIfExists('concerned');
    }
};
