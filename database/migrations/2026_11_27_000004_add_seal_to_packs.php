<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The application signs the whole when a pack is made. Those that were made before are held by who signed them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('packs', fn (Blueprint $table) => $table->string('seal', 100)->nullable());
    }

    public function down(): void
    {
        Schema::table('packs', fn (Blueprint $table) => $table->dropColumn('seal'));
    }
};
