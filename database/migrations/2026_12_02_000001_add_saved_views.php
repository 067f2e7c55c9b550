<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** How somebody looks at a schedule, under a name: for themselves, or for everybody of the crew. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(
            'create table saved_views (
                id uuid primary key,
                installation_id bigint not null references installations (id) on delete cascade,
                user_id bigint not null references users (id) on delete cascade,
                name varchar(60) not null,
                shared boolean not null,
                shows jsonb not null,
                version integer not null,
                unique (installation_id, user_id, name)
            )',
        );
    }

    public function down(): void
    {
        Schema::dropIfExists('saved_views');
    }
};
