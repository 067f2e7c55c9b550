<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('installations', function (Blueprint $table): void {
            // Currency, rates, prices and the shelf, in the shape of the file format.
            $table->json('economy')->default('{}');
        });
    }

    public function down(): void
    {
        Schema::table('installations', function (Blueprint $table): void {
            $table->dropColumn('economy');
        });
    }
};
