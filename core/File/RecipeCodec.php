<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Catalogue\Former\Layer;
use Sartal\Core\Given\Catalogue\Former\Recipe;
use Sartal\Core\Given\Catalogue\Former\RecipeStep;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;

/** A preparation recipe from and into its JSON shape (docs/formats.md). */
final class RecipeCodec
{
    public static function decode(Fields $fields): Recipe
    {
        $longest = Length::metres(2);

        return new Recipe(
            $fields->name('id'),
            $fields->name('name'),
            $fields->each(
                'steps',
                static fn (Fields $step): RecipeStep => new RecipeStep(
                    $step->choice('layer', Layer::class),
                    $step->length('at', $longest),
                    $step->name('does'),
                    $step->text('keep', ''),
                    $step->text('tool', ''),
                    $step->text('check', ''),
                ),
                true,
            ),
            self::cores($fields),
            $fields->length('earthLonger', $longest, Length::zero()),
            $fields->length('discard', $longest, Length::zero()),
            $fields->text('source', ''),
        );
    }

    /** @return array<int|string, Length> */
    private static function cores(Fields $fields): array
    {
        $cores = [];
        foreach ($fields->textMap('cores') as $function => $text) {
            try {
                $cores[$function] = Length::parse($text);
                if ($cores[$function]->isNegative()) {
                    $fields->wrong('cores.'.$function, $text, 'is negative. Give a length of nothing or more.', null);
                }
            } catch (InvalidMeasure $invalid) {
                $fields->wrong('cores.'.$function, $text, $invalid->getMessage(), null);
            }
        }

        return $cores;
    }

    /** @return array<int|string, mixed> */
    public static function encode(Recipe $recipe): array
    {
        return CatalogueEncoder::brief([
            'id' => $recipe->id,
            'name' => $recipe->name,
            'steps' => array_map(
                static fn (RecipeStep $step): array => CatalogueEncoder::brief([
                    'layer' => $step->layer->value,
                    'at' => $step->at->canonical(),
                    'does' => $step->does,
                    'keep' => $step->keep,
                    'tool' => $step->tool,
                    'check' => $step->check,
                ]),
                $recipe->steps,
            ),
            'cores' => $recipe->cores === []
                    ? null
                    : (object) array_map(static fn (Length $length): string => $length->canonical(), $recipe->cores),
            'earthLonger' => $recipe->earthLonger->isZero() ? null : $recipe->earthLonger->canonical(),
            'discard' => $recipe->discard->isZero() ? null : $recipe->discard->canonical(),
            'source' => $recipe->source,
        ]);
    }
}
