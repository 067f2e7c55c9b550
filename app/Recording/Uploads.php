<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\StoredInstallation;
use Closure;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Throwable;

/** Photos by what they hold: each is kept once, and seen by the installations that uploaded it alone. */
final class Uploads
{
    public const FOLDER = 'pictures/';

    /**
     * Keeps a photo together with what is recorded of it; a refused record leaves nothing.
     *
     * @template T
     *
     * @param  Closure(): T  $record
     * @return T
     *
     * @throws Throwable what the record is refused by
     */
    public static function keep(StoredInstallation $stored, UploadedFile $file, string $name, Closure $record): mixed
    {
        $disk = Storage::disk('local');
        if (! $disk->exists(self::FOLDER.$name)) {
            $disk->putFileAs(self::FOLDER, $file, $name);
        }
        try {
            return DB::transaction(static function () use ($stored, $name, $record): mixed {
                DB::table('uploads')->insertOrIgnore([
                    'installation_id' => $stored->id,
                    'name' => $name,
                    'uploaded_at' => now(),
                ]);

                return $record();
            });
        } catch (Throwable $refused) {
            if (! DB::table('uploads')->where('name', $name)->exists()) {
                $disk->delete(self::FOLDER.$name);
            }
            throw $refused;
        }
    }

    /** @return array<array-key, true> names of this installation's own that are there */
    public static function of(StoredInstallation $stored): array
    {
        $own = [];
        foreach (DB::table('uploads')->where('installation_id', $stored->id)->pluck('name') as $name) {
            if (is_string($name) && Storage::disk('local')->exists(self::FOLDER.$name)) {
                $own[$name] = true;
            }
        }

        return $own;
    }

    public static function has(StoredInstallation $stored, string $name): bool
    {
        return DB::table('uploads')->where('installation_id', $stored->id)->where('name', $name)->exists() &&
            Storage::disk('local')->exists(self::FOLDER.$name);
    }
}
