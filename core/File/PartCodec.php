<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Catalogue\Gender;
use Sartal\Core\Given\Catalogue\LabelFace;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\LabelForm;

/** A part or consumable from and into its JSON shape (docs/formats.md). */
final class PartCodec
{
    public static function decode(Fields $fields): Part
    {
        return new Part(
            $fields->name('id'),
            $fields->name('name'),
            $fields->choice('kind', PartKind::class),
            $fields->text('colour', ''),
            Ranges::diameters($fields, 'grips'),
            Ranges::optionalLength($fields, 'cutTab'),
            $fields->texts('jackets'),
            Ranges::gauges($fields, 'gauge'),
            $fields->has('gender') ? $fields->choice('gender', Gender::class) : null,
            $fields->text('tool', ''),
            $fields->whole('crimps', 0, 4, 0),
            $fields->flag('split', false),
            $fields->whole('pack', 1, 100_000, 1),
            Ranges::optionalLength($fields, 'length'),
            $fields->texts('ends'),
            $fields->flag('oneWay', false),
            $fields->flag('lined', false),
            Ranges::optionalLength($fields, 'outer'),
            $fields->has('face') ? self::face($fields->child('face')) : null,
            $fields->flag('reopens', false),
            $fields->whole('tails', 0, 96, 0),
            $fields->whole('wires', 1, 4, 1),
        );
    }

    /** @return array<int|string, mixed> */
    public static function encode(Part $part): array
    {
        return CatalogueEncoder::brief([
            'id' => $part->id,
            'name' => $part->name,
            'kind' => $part->kind->value,
            'colour' => $part->colour,
            'grips' => Ranges::encodeDiameters($part->grips),
            'cutTab' => $part->cutTab?->canonical(),
            'jackets' => $part->jackets,
            'gauge' => Ranges::encodeGauges($part->gauge),
            'gender' => $part->gender?->value,
            'tool' => $part->tool,
            'crimps' => $part->crimps ?: null,
            'split' => $part->split ?: null,
            'pack' => $part->pack === 1 ? null : $part->pack,
            'length' => $part->length?->canonical(),
            'ends' => $part->ends,
            'oneWay' => $part->oneWay ?: null,
            'lined' => $part->lined ?: null,
            'reopens' => $part->reopens ?: null,
            'tails' => $part->tails ?: null,
            'wires' => $part->wires === 1 ? null : $part->wires,
            'outer' => $part->outer?->canonical(),
            'face' => $part->face === null ? null : self::encodeFace($part->face),
        ]);
    }

    private static function face(Fields $fields): LabelFace
    {
        $most = Length::metres(1);
        $form = $fields->choice('form', LabelForm::class);
        $width = $fields->length('width', $most);
        $height = $fields->length('height', $most);
        $printed = $fields->has('printed') ? $fields->length('printed', $most) : $height;
        if ($printed->compare($height) > 0) {
            $fields->wrong(
                'printed',
                $printed->canonical(),
                'cannot be more than the label is high: give '.$height->canonical().' or less.',
                null,
            );
        }
        $fields->done();

        return new LabelFace($form, $width, $height, $printed);
    }

    /** @return array<int|string, mixed> */
    private static function encodeFace(LabelFace $face): array
    {
        return CatalogueEncoder::brief([
            'form' => $face->form->value,
            'width' => $face->width->canonical(),
            'height' => $face->height->canonical(),
            'printed' => $face->tail()->isZero() ? null : $face->printed->canonical(),
        ]);
    }
}
