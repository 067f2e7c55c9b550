<?php

declare(strict_types=1);

namespace App\Formats;

use RuntimeException;
use Sartal\Core\Catalogue\Catalogue;
use Sartal\Core\Document\CatalogueDecoder;
use Sartal\Core\Document\Fields;
use Sartal\Core\Document\Problems;

/** The generic types that ship under catalogue/, one file each. */
final class ShippedCatalogue
{
    private const KINDS = ['cables', 'connectors', 'signals', 'plans', 'parts', 'recipes'];

    private static ?Catalogue $loaded = null;

    public static function load(): Catalogue
    {
        return self::$loaded ??= self::from(dirname(__DIR__, 2).'/catalogue');
    }

    private static function from(string $folder): Catalogue
    {
        $data = [];
        foreach (self::KINDS as $kind) {
            $data[$kind] = [];
            foreach (glob($folder.'/'.$kind.'/*.json') ?: [] as $file) {
                $data[$kind][] = json_decode((string) file_get_contents($file), true, 32)
                    ?? throw new RuntimeException(sprintf('%s is not JSON: %s.', $file, json_last_error_msg()));
            }
        }
        $problems = new Problems;
        $fields = Fields::of($data, 'catalogue', $problems);
        $catalogue = CatalogueDecoder::catalogue($fields);
        $problems->settle();

        return $catalogue;
    }
}
