<?php

declare(strict_types=1);

namespace App\Errands;

use App\Formats\Beginning;
use App\Models\Errand;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use RuntimeException;
use Sartal\Core\File\StreamedFile;

/** An installation that came as a file. It is read from the disk as it comes, whatever its size. */
final readonly class BringIn implements Doing
{
    private const FOLDER = 'arrivals/';

    private const MEGABYTE = 1_000_000;

    /** s between two times that it tells how far it is. */
    private const EVERY = 0.5;

    public function __construct(private Beginning $beginning)
    {
    }

    /** @return array{name: string, crew: string} what is asked of a worker */
    public static function asking(UploadedFile $file, bool $crew): array
    {
        $name = (string) Str::uuid();
        if ($file->storeAs(self::FOLDER, $name, 'local') === false) {
            throw new RuntimeException('There is no room for the file on this machine.');
        }

        return ['name' => $name, 'crew' => $crew ? '1' : ''];
    }

    public function do(Errand $errand, Progress $progress): array
    {
        $stream = self::disk()->readStream(self::path($errand)) ?? throw new RuntimeException('The file is gone.');
        try {
            $made = $this->beginning->from(
                StreamedFile::from($stream),
                $errand->user,
                'from a file',
                ($errand->asked['crew'] ?? '') !== '',
                self::telling($progress, $stream, self::disk()->size(self::path($errand))),
            );
        } finally {
            fclose($stream);
        }

        return ['address' => $made->address, 'name' => $made->name];
    }

    public function over(Errand $errand): void
    {
        self::disk()->delete(self::path($errand));
    }

    /**
     * @param  resource  $stream
     * @param  int  $size  octets
     * @return callable(): void
     */
    private static function telling(Progress $progress, $stream, int $size): callable
    {
        $last = 0.0;

        return static function () use ($progress, $stream, $size, &$last): void {
            if (microtime(true) - $last > self::EVERY) {
                $last = microtime(true);
                $progress->tell(
                    'Megabytes of the file',
                    intdiv((int) ftell($stream), self::MEGABYTE),
                    max(1, intdiv($size, self::MEGABYTE)),
                );
            }
        };
    }

    private static function path(Errand $errand): string
    {
        return self::FOLDER.($errand->asked['name'] ?? '');
    }

    private static function disk(): Filesystem
    {
        return Storage::disk('local');
    }
}
