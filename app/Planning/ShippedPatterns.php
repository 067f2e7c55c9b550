<?php

declare(strict_types=1);

namespace App\Planning;

use RuntimeException;
use Sartal\Core\File\Fields;
use Sartal\Core\File\PatternCodec;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\GivenPattern;

/** The patterns that ship under catalogue/patterns, one file each. */
final class ShippedPatterns
{
    /** @return array<int|string, GivenPattern> by id */
    public static function all(): array
    {
        $patterns = [];
        foreach (glob(dirname(__DIR__, 2).'/catalogue/patterns/*.json') ?: [] as $file) {
            $problems = new Problems();
            $fields = Fields::from(json_decode((string) file_get_contents($file), true), basename($file), $problems);
            $pattern = PatternCodec::decode($fields);
            $fields->done();
            $problems->settle();
            $patterns[$pattern->id] = $pattern;
        }

        return $patterns === [] ? throw new RuntimeException('There are no patterns where they ship.') : $patterns;
    }
}
