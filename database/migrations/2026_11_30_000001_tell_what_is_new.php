<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What pages show is neither all decided nor all recorded: labels are printed, and jobs are given to people. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('installations', static function (Blueprint $table): void {
            $table->bigInteger('told')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('installations', static fn (Blueprint $table) => $table->dropColumn('told'));
    }
};
