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

    public static function id(): string
    {
        if (self::$id === null) {
            $newest = $size = 0;
            foreach (['core', 'catalogue', 'app'] as $folder) {
                /** @var SplFileInfo $file */
                foreach (
                    new RecursiveIteratorIterator(
                        new RecursiveDirectoryIterator(base_path($folder), FilesystemIterator::SKIP_DOTS),
                    ) as $file
                ) {
                    $newest = max($newest, $file->getMTime());
                    $size += $file->getSize();
                }
            }
            self::$id = dechex((int) $newest).'.'.dechex((int) $size);
        }

        return self::$id;
    }
}
