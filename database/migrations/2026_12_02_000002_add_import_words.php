<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** How an installation's crew said that their spreadsheets are to be read, for the next one. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(
            'create table import_words (
                installation_id bigint not null references installations (id) on delete cascade,
                kind varchar(20) not null,
                said varchar(200) not null,
                taken varchar(200) not null,
                kept_at timestamptz not null,
                primary key (installation_id, kind, said)
            )',
        );
    }

    public function down(): void
    {
        Schema::dropIfExists('import_words');
    }
};
