<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            // What this person opened last, on whatever device.
            $table->foreignId('opened_id')->nullable()->constrained('installations')->nullOnDelete();
        });
        // What is open in each browser.
        Schema::create('desks', function (Blueprint $table): void {
            $table->string('desk', 26)->primary();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->timestampTz('at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('desks');
        Schema::table('users', fn (Blueprint $table) => $table->dropConstrainedForeignId('opened_id'));
    }
};
