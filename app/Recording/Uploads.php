<?php

declare(strict_types=1);

namespace App\Recording;

use App\Contract\Refusal;
use App\Models\StoredInstallation;
use Closure;
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
    public static function keep(StoredInstallation $stored, Photograph $photo, Closure $record): mixed
    {
        $name = $photo->name;
        self::limit($stored, $photo);
        $disk = Storage::disk('local');
        if (! $disk->exists(self::FOLDER.$name)) {
            $disk->put(self::FOLDER.$name, $photo->bytes);
        }
        try {
            return DB::transaction(static function () use ($stored, $name, $photo, $record): mixed {
                DB::table('uploads')->insertOrIgnore([
                    'installation_id' => $stored->id,
                    'name' => $name,
                    'bytes' => strlen($photo->bytes),
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

    /** @throws Refusal where the installation has its fill */
    private static function limit(StoredInstallation $stored, Photograph $photo): void
    {
        $most = config('sartal.photos', 0);
        $kept = (int) DB::table('uploads')->where('installation_id', $stored->id)->sum('bytes');
        if (is_int($most) && $kept + strlen($photo->bytes) > $most && ! self::has($stored, $photo->name)) {
            throw Refusal::of(
                'picture',
                sprintf(
                    'The photos of this installation fill %d MB, which is all it has room for. '.
                        'Whoever runs this server can give it more (SARTAL_PHOTOS_MB).',
                    intdiv($kept, 1_000_000),
                ),
            );
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
