<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Releases row by row, each row once for all releases in which it is the same, so that what the shop works from is read
 * as far as it is needed. What was signed stays as it is: all of this can be made again from it, and is, of a release
 * that is older, when somebody works from it.
 */
return new class extends Migration
{
    private const LISTS = ['ties', 'beside', 'says', 'labels', 'ways'];

    public function up(): void
    {
        DB::statement('alter table releases add column in_rows boolean not null default false');
        DB::statement(
            'create table released_rows (
                id bigint generated always as identity primary key,
                installation_id bigint not null references installations (id) on delete cascade,
                kind varchar(40) not null,
                key varchar(255) not null,
                place numeric not null,
                since bigint not null,
                until bigint,
                definition json not null
            )',
        );
        DB::statement('create index released_rows_of on released_rows (installation_id, kind, key)');
        DB::statement(
            "create index released_rows_fed on released_rows (installation_id, (definition->>'phantom'))
            where kind = 'circuits' and definition->>'phantom' <> ''",
        );
        DB::statement('create unlogged table released_cards (like run_cards including defaults)');
        DB::statement('alter table released_cards add primary key (installation_id, run)');
        DB::statement(
            'alter table released_cards add foreign key (installation_id) references installations (id)
            on delete cascade',
        );
        DB::statement('create index released_cards_code on released_cards (installation_id, code)');
        foreach (self::LISTS as $list) {
            DB::statement(sprintf('create index released_cards_%1$s on released_cards using gin (%1$s)', $list));
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('released_cards');
        // Nobody looks for cards that are gone.
        DB::table('kept')->where('name', 'cards at work')->delete();
        Schema::dropIfExists('released_rows');
        Schema::dropColumns('releases', 'in_rows');
    }
};
