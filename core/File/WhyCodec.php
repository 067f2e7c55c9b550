<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Why;

/** Why something was decided, from and into its JSON shape (docs/formats.md). */
final class WhyCodec
{
    /** Photos of one decision. */
    public const MOST = 12;

    public static function decode(Fields $fields): Why
    {
        $why = new Why(
            self::id($fields),
            $fields->text('note', ''),
            $fields->texts('pictures'),
            $fields->name('by'),
            $fields->name('at'),
        );
        foreach ($why->pictures as $picture) {
            if (preg_match('~^[0-9a-f]{64}\.(jpg|png|webp)$~', $picture) !== 1) {
                $fields->wrong('pictures', $picture, 'is no name of a photo. Leave it out.', null);
            }
        }
        if (count($why->pictures) > self::MOST) {
            $fields->wrong('pictures', (string) count($why->pictures), sprintf('at most %d.', self::MOST), null);
        }

        return $why;
    }

    private static function id(Fields $fields): string
    {
        $id = $fields->name('id');
        $kind = DecisionKind::tryFrom(explode('.', $id, 2)[0]);
        $isOne = preg_match('~^[a-z-]+\.[^/:>|\s]{1,80}$~u', $id) === 1 && $kind?->hasReason() === true;

        return $isOne || $id === '' ? $id : $fields->wrong(
            'id',
            $id,
            'should be a kind of decision, a dot and its id, such as "run.M-201".',
            '',
        );
    }

    /** @return array<int|string, mixed> */
    public static function encode(Why $why): array
    {
        return CatalogueEncoder::brief([
            'id' => $why->id,
            'note' => $why->note,
            'pictures' => $why->pictures,
            'by' => $why->by,
            'at' => $why->at,
        ]);
    }
}
