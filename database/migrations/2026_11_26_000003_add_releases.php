<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What the shop works from: the installation and its plan as they were, and who said so. Never altered.
        Schema::create('releases', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->string('letter', 8);
            $table->text('note');
            $table->foreignId('user_id')->constrained();
            $table->timestampTz('created_at', 6);
            // Text, not JSON columns: what is signed stays as it was written, byte by byte.
            $table->text('document');
            $table->text('plan');
            $table->string('digest', 64);
            $table->text('signature');
            $table->unique(['installation_id', 'letter']);
        });
        Schema::table('installations', function (Blueprint $table): void {
            // The release that is worked from; null: what is decided goes to the shop as it is.
            $table->foreignId('release_id')->nullable()->constrained('releases');
        });
        // Edits that somebody looked at and put aside, with what they were made on.
        Schema::create('drafts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained();
            $table->string('words');
            $table->json('edits');
            $table->json('pins')->nullable();
            $table->timestampTz('created_at', 6);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('drafts');
        Schema::table('installations', fn (Blueprint $table) => $table->dropConstrainedForeignId('release_id'));
        Schema::dropIfExists('releases');
    }
};
