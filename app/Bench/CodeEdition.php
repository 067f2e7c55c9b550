<?php

declare(strict_types=1);

namespace App\Bench;

use FilesystemIterator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** Which rules, catalogue and shapes are installed: what an older edition worked out is worked out again. */
final class CodeEdition
{
    private static ?string $id = null;

    /** Of what is served: a server that goes on with the code it began with says which that is. */
    public static function id(): string
    {
        $said = getenv('SARTAL_EDITION');

        return self::$id ??= is_string($said) && $said !== '' ? $said : self::of(base_path());
    }

    /** @param  string  $root  where the code is */
    public static function of(string $root): string
    {
        $newest = $size = 0;
        foreach (['core', 'catalogue', 'app'] as $folder) {
            /** @var SplFileInfo $file */
            foreach (
                new RecursiveIteratorIterator(
                    new RecursiveDirectoryIterator($root.'/'.$folder, FilesystemIterator::SKIP_DOTS),
                ) as $file
            ) {
                $newest = max($newest, $file->getMTime());
                $size += $file->getSize();
            }
        }

        return dechex((int) $newest).'.'.dechex((int) $size);
    }
}
