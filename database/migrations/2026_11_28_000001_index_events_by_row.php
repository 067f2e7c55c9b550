<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What was recorded last, and what since a row, is asked by every poll.
        Schema::table('events', static function (Blueprint $table): void {
            $table->index(['installation_id', 'id']);
        });
    }

    public function down(): void
    {
        Schema::table('events', static function (Blueprint $table): void {
            $table->dropIndex(['installation_id', 'id']);
        });
    }
};
