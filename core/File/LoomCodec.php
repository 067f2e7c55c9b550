<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Breakout;
use Sartal\Core\Given\Installation\Covering;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Measure\Length;

/** A loom from and into its JSON shape (docs/formats.md). */
final class LoomCodec
{
    public static function decode(Fields $fields): Loom
    {
        $ties = $fields->length('tieEvery', Length::metres(100), Length::millimetres(Loom::USUAL_TIES));
        if ($ties->isZero()) {
            $fields->wrong('tieEvery', '0', 'must be longer than nothing.', null);
        }

        return new Loom(
            FileDecoder::id($fields),
            $fields->name('name'),
            $fields->text('root', ''),
            $fields->choice('covering', Covering::class, Covering::Ties),
            $ties,
            $fields->flag('oneReel', false),
            $fields->each(
                'breakouts',
                static fn (Fields $each): Breakout => new Breakout(
                    $each->name('at'),
                    $each->text('into', ''),
                    $each->signedLength('by', Length::metres(1000)),
                ),
            ),
        );
    }

    /** @return array<int|string, mixed> */
    public static function encode(Loom $loom): array
    {
        return ['id' => $loom->id, 'name' => $loom->name] +
            CatalogueEncoder::brief([
                'root' => $loom->root,
                'covering' => $loom->covering === Covering::Ties ? null : $loom->covering->value,
                'tieEvery' => $loom->tieEvery->compare(Length::millimetres(Loom::USUAL_TIES)) === 0
                        ? null
                        : $loom->tieEvery->canonical(),
                'oneReel' => $loom->oneReel ?: null,
                'breakouts' => array_map(
                    static fn (Breakout $each): array => CatalogueEncoder::brief([
                        'at' => $each->at,
                        'into' => $each->into,
                        'by' => $each->by->canonical(),
                    ]),
                    $loom->breakouts,
                ),
            ]);
    }
}
