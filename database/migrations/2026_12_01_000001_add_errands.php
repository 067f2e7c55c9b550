<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What takes long is done by workers: the framework's own queue, and what is told of it to whoever asked for it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
        Schema::create('errands', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->bigInteger('turn')->generatedAs()->always();
            // Of none: what is to become one.
            $table->foreignId('installation_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained();
            $table->string('kind', 20);
            $table->json('asked');
            $table->string('state', 20);
            // What it is at, how far that is, of how much.
            $table->string('words', 250)->default('');
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('of')->default(0);
            $table->boolean('is_called_off')->default(false);
            $table->json('result')->nullable();
            $table->text('problem')->default('');
            // Where, what stands there, and what is wrong with it; and how many more there are.
            $table->json('problems')->default('[]');
            $table->unsignedInteger('more')->default(0);
            $table->timestampTz('asked_at', 6);
            $table->timestampTz('begun_at', 6)->nullable();
            $table->timestampTz('told_at', 6)->nullable();
            $table->timestampTz('ended_at', 6)->nullable();
            $table->index(['installation_id', 'turn']);
            $table->index(['user_id', 'turn']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('errands');
        Schema::dropIfExists('failed_jobs');
        Schema::dropIfExists('jobs');
    }
};
