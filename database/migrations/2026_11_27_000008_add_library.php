<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Types that an organisation keeps for all of its installations, in the shape of the file format.
        Schema::create('library_types', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('organisation_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 20);
            $table->string('key');
            $table->json('definition');
            $table->unsignedInteger('edition')->default(1);
            $table->foreignId('user_id')->constrained();
            $table->timestampTz('put_at');
            $table->unique(['organisation_id', 'kind', 'key']);
        });
        // Which edition an installation took last.
        Schema::create('library_takings', function (Blueprint $table): void {
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 20);
            $table->string('key');
            $table->unsignedInteger('edition');
            $table->primary(['installation_id', 'kind', 'key']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('library_takings');
        Schema::dropIfExists('library_types');
    }
};
