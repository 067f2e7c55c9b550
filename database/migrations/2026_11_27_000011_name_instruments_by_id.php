<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Results named instruments by what they were called. What is called so today is what was meant: from now on it may be
 * called something else.
 */
return new class extends Migration
{
    public function up(): void
    {
        $known = [];
        foreach (
            DB::table('parts')
                ->where('kind', 'instrument')
                ->get(['installation_id', 'key', 'definition']) as $row
        ) {
            $name = json_decode((string) $row->definition, true)['name'] ?? '';
            $known[$row->installation_id][(string) $row->key] ??= (string) $row->key;
            $known[$row->installation_id][(string) $name] = (string) $row->key;
        }
        foreach ($known as $installation => $ids) {
            DB::table('events')
                ->where('installation_id', $installation)
                ->where('kind', 'tested')
                ->select(['id', 'definition'])
                ->chunkById(500, static function ($events) use ($ids): void {
                    foreach ($events as $event) {
                        // As objects: what is an empty one stays one.
                        $says = json_decode((string) $event->definition, false, 64);
                        $names = $says instanceof stdClass ? $says->instrument ?? '' : '';
                        if (! $says instanceof stdClass || ! is_string($names) || $names === '' || isset($says->with)) {
                            continue;
                        }
                        $says->with = array_map(
                            static fn (string $name): string => $ids[$name] ?? '',
                            explode(', ', $names),
                        );
                        if (array_filter($says->with) !== []) {
                            $definition = json_encode($says, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
                            DB::table('events')
                                ->where('id', $event->id)
                                ->update(['definition' => $definition]);
                        }
                    }
                });
        }
    }

    public function down(): void
    {
        // The names are there as they were.
    }
};
