<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\File\UsualCodec;
use Sartal\Core\Plan\Proposing\Usuals;

/** What is usual of signals, as it ships under catalogue/usual, one use to a file. */
final class ShippedUsuals
{
    private static ?Usuals $read = null;

    public static function all(): Usuals
    {
        return self::$read ??= self::read();
    }

    private static function read(): Usuals
    {
        $all = [];
        foreach (glob(dirname(__DIR__, 2).'/catalogue/usual/*.json') ?: [] as $file) {
            $problems = new Problems();
            $fields = Fields::from(json_decode((string) file_get_contents($file), true), basename($file), $problems);
            $all[] = UsualCodec::decode($fields);
            $fields->done();
            $problems->settle();
        }

        return new Usuals($all);
    }
}
