<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // A link by which somebody sets their own password, once and in time. The link itself is nowhere, only its
        // hash.
        Schema::create('invitations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('by_id')->nullable()->constrained('users');
            $table->string('token', 64)->unique();
            $table->timestampTz('created_at');
            $table->timestampTz('expires_at');
            $table->timestampTz('used_at')->nullable();
        });
        // Who came in, who may what since when, and what left the application. Never altered.
        Schema::create('logbook', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('organisation_id')->constrained()->cascadeOnDelete();
            $table->foreignId('installation_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained();
            $table->string('what', 20);
            $table->text('words');
            $table->timestampTz('created_at', 6);
            $table->index(['organisation_id', 'id']);
            $table->index(['installation_id', 'id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('logbook');
        Schema::dropIfExists('invitations');
    }
};
