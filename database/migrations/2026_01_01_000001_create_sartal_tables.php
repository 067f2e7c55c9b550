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
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->string('sign_in')->unique();
            $table->string('name');
            $table->string('password')->nullable();
            $table->json('roles');
            $table->rememberToken();
            $table->timestampsTz();
        });
        Schema::create('installations', function (Blueprint $table): void {
            $table->id();
            $table->string('key')->unique();
            $table->string('name');
            // What is decided for the whole of it, in the shape of the file format.
            $table->json('rules');
            $table->json('catalogue');
            $table->json('panel');
            // Grows with every change to the installation or its record: caches are keyed by it.
            $table->unsignedBigInteger('revision')->default(1);
            $table->unsignedInteger('version')->default(1);
            $table->timestampsTz();
        });
        // Who works on it: nobody else sees it.
        Schema::create('crew', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->unique(['installation_id', 'user_id']);
        });
        // Shared things that runs refer to: locations, ways, looms, circuits, equipment, fittings.
        Schema::create('parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 20);
            $table->string('key');
            $table->json('definition');
            $table->unsignedInteger('version')->default(1);
            $table->unique(['installation_id', 'kind', 'key']);
        });
        Schema::create('runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->string('key');
            $table->string('code');
            $table->boolean('withdrawn')->default(false);
            $table->json('definition');
            $table->unsignedInteger('version')->default(1);
            $table->unique(['installation_id', 'key']);
        });
        // Two runs of one code are found by the core; two that are entered at the same moment, here.
        DB::statement('create unique index runs_code_unique on runs (installation_id, code) where not withdrawn');
        Schema::create('events', function (Blueprint $table): void {
            $table->id();
            $table->uuid('uuid');
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->string('run');
            $table->string('kind', 30);
            $table->foreignId('user_id')->constrained();
            $table->json('definition');
            $table->timestampTz('created_at', 6);
            $table->unique(['installation_id', 'uuid']);
            $table->index(['installation_id', 'run']);
        });
        Schema::create('changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained();
            $table->string('words');
            // Every row touched: what it was, and what it became.
            $table->json('entries');
            $table->foreignId('undoes')->nullable()->constrained('changes');
            $table->timestampTz('created_at', 6);
            $table->index(['installation_id', 'id']);
        });
    }

    public function down(): void
    {
        foreach (['changes', 'events', 'runs', 'parts', 'crew', 'installations', 'users'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
