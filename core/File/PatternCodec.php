<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\GivenPattern;

/** A pattern from and into its JSON shape (docs/formats.md). */
final class PatternCodec
{
    public static function decode(Fields $fields): GivenPattern
    {
        return new GivenPattern(
            FileDecoder::id($fields),
            $fields->name('name'),
            $fields->text('words', ''),
            $fields->name('kind'),
            $fields->textMap('answers'),
        );
    }

    /** @return array<int|string, mixed> */
    public static function encode(GivenPattern $pattern): array
    {
        return CatalogueEncoder::brief([
            'id' => $pattern->id,
            'name' => $pattern->name,
            'words' => $pattern->words,
            'kind' => $pattern->kind,
            'answers' => (object) $pattern->answers,
        ]);
    }
}
