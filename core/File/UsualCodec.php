<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Plan\Proposing\Usual;

/** What is usual of a signal, from its JSON shape (docs/formats.md). */
final class UsualCodec
{
    public static function decode(Fields $fields): Usual
    {
        return new Usual(
            $fields->name('signal'),
            $fields->flag('lead', false),
            $fields->texts('words'),
            $fields->texts('cables'),
            $fields->texts('from'),
            $fields->texts('to'),
            $fields->flag('apart', false),
            $fields->name('because'),
        );
    }
}
