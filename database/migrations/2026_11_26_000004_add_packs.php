<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What was handed over. Its files lie beside the photos, under its folder; they are never altered.
        Schema::create('packs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->foreignId('user_id')->constrained();
            $table->timestampTz('created_at', 6);
            $table->string('folder');
            // Name → SHA-256 and bytes.
            $table->json('files');
            $table->string('digest', 64);
            $table->json('signatures')->default('[]');
            $table->unsignedInteger('gaps');
            $table->unsignedInteger('pages');
            $table->unique(['installation_id', 'number']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('packs');
    }
};
