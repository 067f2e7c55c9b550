<?php

declare(strict_types=1);

use App\Models\Addresses;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Every address that there ever was; the one of an installation is beside it.
        Schema::create('addresses', function (Blueprint $table): void {
            $table->string('address', 12)->primary();
            $table->timestampTz('minted_at');
        });
        Schema::table('installations', function (Blueprint $table): void {
            $table->string('address', 12)->nullable()->unique();
        });
        foreach (DB::table('installations')->orderBy('id')->pluck('id') as $id) {
            DB::table('installations')
                ->where('id', $id)
                ->update(['address' => Addresses::mint()]);
        }
        Schema::table('installations', function (Blueprint $table): void {
            $table->string('address', 12)->nullable(false)->change();
        });
    }

    public function down(): void
    {
        Schema::table('installations', fn (Blueprint $table) => $table->dropColumn('address'));
        Schema::dropIfExists('addresses');
    }
};
