<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\ContactCheck;

/** A check of contacts from and into its JSON shape (docs/formats.md). */
final class ContactCheckCodec
{
    public static function decode(Fields $fields): ContactCheck
    {
        return new ContactCheck(
            FileDecoder::id($fields),
            $fields->name('print'),
            $fields->name('by'),
            $fields->name('at'),
        );
    }

    /** @return array<int|string, mixed> */
    public static function encode(ContactCheck $check): array
    {
        return ['id' => $check->id, 'print' => $check->print, 'by' => $check->by, 'at' => $check->at];
    }
}
