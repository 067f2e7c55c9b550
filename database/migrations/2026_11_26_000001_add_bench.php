<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('installations', function (Blueprint $table): void {
            // Another one after every decision: what the bench works by is kept under it. Never a count, which a
            // restored database would repeat.
            $table->string('decisions', 26)->default('');
            // Benches, hours and tools that are short, in the shape of the file format.
            $table->json('workshop')->default('{}');
        });
        Schema::table('users', function (Blueprint $table): void {
            $table->json('skills')->default('[]');
            $table->timestampTz('retired_at')->nullable();
        });
        Schema::table('events', function (Blueprint $table): void {
            $table->text('step')->default('');
        });
        DB::statement("create index events_step on events (installation_id, run, step) where step <> ''");
        // Where everybody is at the moment; forgotten after a while, and never part of the record.
        Schema::create('bench_places', function (Blueprint $table): void {
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('assembly');
            $table->text('step');
            $table->timestampTz('at', 3);
            $table->primary(['installation_id', 'user_id']);
        });
        // Paper, not record: what each label said when it was last printed.
        Schema::create('label_prints', function (Blueprint $table): void {
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->string('label');
            $table->string('fingerprint', 16);
            $table->foreignId('user_id')->constrained();
            $table->timestampTz('at');
            $table->primary(['installation_id', 'label']);
        });
        // What the lead gave to whom: a loom, an assembly, or whatever takes a skill.
        Schema::create('assignments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 20);
            $table->string('key');
            $table->unique(['installation_id', 'kind', 'key', 'user_id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('assignments');
        Schema::dropIfExists('label_prints');
        Schema::dropIfExists('bench_places');
        Schema::table('events', fn (Blueprint $table) => $table->dropColumn('step'));
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn(['skills', 'retired_at']));
        Schema::table('installations', fn (Blueprint $table) => $table->dropColumn(['decisions', 'workshop']));
    }
};
