<?php

declare(strict_types=1);

namespace App\Planning;

use LogicException;
use RuntimeException;
use Sartal\Core\File\CatalogueDecoder;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\Catalogue;

/**
 * The generic types that ship under catalogue/, one file each. Read once, and
 * kept ready under a mark of the files, because every request needs them.
 */
final class ShippedCatalogue
{
    private const KINDS = ['cables', 'connectors', 'signals', 'plans', 'parts', 'procedures'];

    /** What makes the ends of recipes that shipped before there were procedures, with a mark of each. */
    private const FORMER = 'former';

    /** Folders of the code that reads the files, and of what it makes of them. */
    private const READERS = [
        'core/Given/Catalogue',
        'core/Given/Catalogue/Procedures',
        'core/Given/Catalogue/Former',
        'core/Given/Schools',
        'core/Given/Measure',
        'core/File',
    ];

    private static ?Catalogue $loaded = null;

    public static function load(): Catalogue
    {
        return self::$loaded ??= self::ready(dirname(__DIR__, 2));
    }

    private static function ready(string $root): Catalogue
    {
        $said = getenv('SARTAL_EDITION');
        // A server that goes on with the code it began with need not look whether its files are others.
        $files = is_string($said) && $said !== '' ? null : self::files($root.'/catalogue');
        $mark = $files === null ? 'of-'.hash('xxh128', (string) $said) : self::mark($files, $root);
        $kept = sprintf('%s/storage/framework/cache/catalogue-%s.bin', $root, $mark);
        if (is_file($kept)) {
            $catalogue = @unserialize((string) file_get_contents($kept));
            if ($catalogue instanceof Catalogue) {
                return $catalogue;
            }
        }
        $catalogue = self::read($files ?? self::files($root.'/catalogue'));
        self::keep($kept, $catalogue);

        return $catalogue;
    }

    /** @return array<int|string, list<string>> kind → files */
    private static function files(string $folder): array
    {
        $files = [];
        foreach ([...self::KINDS, self::FORMER] as $kind) {
            $files[$kind] = glob($folder.'/'.$kind.'/*.json') ?: [];
        }

        return $files;
    }

    /**
     * Changes with the files, and with the code that reads them.
     *
     * @param  array<int|string, list<string>>  $files
     */
    private static function mark(array $files, string $root): string
    {
        $code = [];
        foreach (self::READERS as $folder) {
            $own = glob($root.'/'.$folder.'/*.php') ?: [];
            if ($own === []) {
                throw new LogicException(
                    sprintf('%s has moved: what is kept would outlive the code that made it.', $folder),
                );
            }
            array_push($code, ...$own);
        }
        $marks = array_map(
            static fn (string $file): string => $file.filemtime($file).filesize($file),
            array_merge($code, ...array_values($files)),
        );

        return hash('xxh128', implode('|', $marks));
    }

    /** @param  array<int|string, list<string>>  $files */
    private static function read(array $files): Catalogue
    {
        $data = [];
        foreach ($files as $kind => $paths) {
            $data[$kind] = array_map(
                static fn (string $file): mixed => json_decode((string) file_get_contents($file), true, 32) ??
                    throw new RuntimeException(sprintf('%s is not JSON: %s.', $file, json_last_error_msg())),
                $paths,
            );
        }
        $data[self::FORMER] = $data[self::FORMER][0] ?? [];
        $problems = new Problems();
        $fields = Fields::from($data, 'catalogue', $problems);
        $catalogue = CatalogueDecoder::catalogue($fields);
        $problems->settle();

        return $catalogue;
    }

    /** Whole or not at all; where it cannot be written, it is read again next time. */
    private static function keep(string $path, Catalogue $catalogue): void
    {
        $part = $path.'.'.getmypid();
        if (@file_put_contents($part, serialize($catalogue)) !== false) {
            foreach (glob(dirname($path).'/catalogue-*.bin') ?: [] as $old) {
                @unlink($old);
            }
            @rename($part, $path);
        }
    }
}
