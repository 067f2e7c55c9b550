<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What is measured on the equipment holds for the release that is worked from: what is kept of it has to know. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('installations', static function (Blueprint $table): void {
            $table->string('reached', 26)->default('');
        });
    }

    public function down(): void
    {
        Schema::table('installations', static fn (Blueprint $table) => $table->dropColumn('reached'));
    }
};
