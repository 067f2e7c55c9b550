<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        foreach (['memberships', 'users'] as $name) {
            Schema::table($name, fn (Blueprint $table) => $table->unsignedInteger('version')->default(1));
        }
    }

    public function down(): void
    {
        foreach (['memberships', 'users'] as $name) {
            Schema::table($name, fn (Blueprint $table) => $table->dropColumn('version'));
        }
    }
};
