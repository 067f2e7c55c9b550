<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * By what runs have to do with each other, so that who has to do with one is found without reading all. Values begin
 * with their installation. All of it can be made again from what is decided, so that nothing of it is written twice for
 * safety; circuits are found by the fitting that feeds them, whether a run carries them or not.
 */
return new class extends Migration
{
    private const LISTS = ['ties', 'beside', 'says', 'labels', 'ways'];

    public function up(): void
    {
        DB::statement(
            'create unlogged table run_cards (
                installation_id bigint not null references installations (id) on delete cascade,
                run varchar(255) not null,
                place bigint not null,
                code varchar(255) not null,
                ties text[] not null,
                beside text[] not null,
                says text[] not null,
                labels text[] not null,
                cable varchar(255) not null,
                ways text[] not null,
                print char(32) not null,
                primary key (installation_id, run)
            )',
        );
        DB::statement('create index run_cards_code on run_cards (installation_id, code)');
        foreach (self::LISTS as $list) {
            DB::statement(sprintf('create index run_cards_%s on run_cards using gin (%s)', $list, $list));
        }
        DB::statement(
            "create index parts_fed on parts (installation_id, (definition->>'phantom'))
            where kind = 'circuit' and definition->>'phantom' <> ''",
        );
    }

    public function down(): void
    {
        Schema::dropIfExists('run_cards');
        // Nobody looks for cards that are gone.
        DB::table('kept')->where('name', 'cards')->delete();
        DB::statement('drop index if exists parts_fed');
    }
};
