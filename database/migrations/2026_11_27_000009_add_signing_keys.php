<?php

declare(strict_types=1);

use App\Handover\SigningKey;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Signatures were made with a key that followed from the application's secret. From now on the key is its own; the
 * earlier one stays in the ring, so that what it signed holds.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('signing_keys', function (Blueprint $table): void {
            $table->string('id', 16)->primary();
            $table->text('public');
            // Sealed with the application's secret: a host that has another cannot sign. Null: it signs no more.
            $table->text('secret')->nullable();
            $table->timestampTz('made_at', 6);
        });
        Schema::table('packs', function (Blueprint $table): void {
            // Public half of what it was sealed with.
            $table->text('key')->default('');
        });
        if (DB::table('packs')->exists() || DB::table('releases')->exists()) {
            SigningKey::keepEarlier();
            DB::table('packs')->update(['key' => (string) DB::table('signing_keys')->value('public')]);
        }
        Schema::table('uploads', function (Blueprint $table): void {
            $table->unsignedInteger('bytes')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('uploads', fn (Blueprint $table) => $table->dropColumn('bytes'));
        Schema::table('packs', fn (Blueprint $table) => $table->dropColumn('key'));
        Schema::dropIfExists('signing_keys');
    }
};
