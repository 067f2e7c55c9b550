<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What was made of an installation and is kept until it changes. All of it can be made again, so that nothing of it is
 * written twice for safety, and a backup leaves it out.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(
            'create unlogged table kept (
                installation_id bigint not null references installations (id) on delete cascade,
                name varchar(200) not null,
                state varchar(120) not null,
                body bytea not null,
                made_at timestamptz not null,
                primary key (installation_id, name)
            )',
        );
        DB::statement('create index kept_made_at on kept (installation_id, made_at)');
    }

    public function down(): void
    {
        Schema::dropIfExists('kept');
    }
};
