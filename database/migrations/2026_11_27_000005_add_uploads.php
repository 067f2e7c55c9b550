<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Whose a photo is: a record that names it, as a file may, gives nobody a sight of another installation's. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('uploads', function (Blueprint $table): void {
            $table->foreignId('installation_id')->constrained()->cascadeOnDelete();
            $table->string('name', 80);
            $table->timestampTz('uploaded_at')->nullable();
            $table->primary(['installation_id', 'name']);
            $table->index('name');
        });
        // What was taken before is of the installation whose records name it.
        DB::statement(
            "insert into uploads (installation_id, name)
            select distinct installation_id, definition->>'picture' from events
            where kind = 'pictured' and coalesce(definition->>'picture', '') <> ''
            on conflict do nothing",
        );
    }

    public function down(): void
    {
        Schema::dropIfExists('uploads');
    }
};
