<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A fingerprint says by which edition it was made; those of the first, which do not, stay as they are. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('label_prints', fn (Blueprint $table) => $table->string('fingerprint', 40)->change());
    }

    public function down(): void
    {
        Schema::table('label_prints', fn (Blueprint $table) => $table->string('fingerprint', 16)->change());
    }
};
