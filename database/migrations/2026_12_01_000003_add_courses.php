<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * From where to where runs go, and how far, so that a way that gets shorter is known to concern those that may take it
 * since. What is kept of cards is made again.
 */
return new class extends Migration
{
    private const TABLES = ['cards' => 'run_cards', 'cards at work' => 'released_cards'];

    public function up(): void
    {
        foreach (self::TABLES as $name => $table) {
            DB::statement(sprintf("alter table %s add column course text not null default ''", $table));
            DB::statement(sprintf('alter table %s add column pinned boolean not null default false', $table));
            DB::statement(sprintf('alter table %s add column reach bigint', $table));
            DB::statement(sprintf('create index %1$s_course on %1$s (installation_id, md5(course))', $table));
            DB::table('kept')->where('name', $name)->delete();
        }
    }

    public function down(): void
    {
        foreach (self::TABLES as $name => $table) {
            DB::statement(sprintf('alter table %s drop column course, drop column pinned, drop column reach', $table));
            DB::table('kept')->where('name', $name)->delete();
        }
    }
};
