<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What is looked for among hundreds of thousands of records is a column of its own: PostgreSQL keeps it up itself. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(
            "alter table events
                add column picture text generated always as (definition->>'picture') stored,
                add column received text generated always as (definition->>'received') stored,
                add column said text generated always as (
                    kind
                        || coalesce(' ' || (definition->>'side'), '')
                        || coalesce(' ' || (definition->>'verdict'), '')
                        || coalesce(': ' || nullif(definition->>'note', ''), '')
                        || case when step <> '' then ' (' || step || ')' else '' end
                ) stored",
        );
        DB::statement('create index events_picture on events (installation_id, picture) where picture is not null');
    }

    public function down(): void
    {
        DB::statement('alter table events drop column picture, drop column received, drop column said');
    }
};
