<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Catalogue\Former\FormerMaking;
use Sartal\Core\Given\Catalogue\Former\FormerProcedure;
use Sartal\Core\Given\Catalogue\Former\Recipe;

/**
 * What a catalogue from before procedures said of how ends are prepared: read from where it stood then, and from where
 * it is kept since (docs/formats.md).
 */
final class FormerCodec
{
    /**
     * @param  Fields  $fields  of the catalogue
     * @param  array<int|string, array<int|string, string>>  $named  what connectors named themselves
     * @param  array<int|string, list<FormerProcedure>>  $madeBy  what procedures stood for themselves
     */
    public static function decode(Fields $fields, array $named, array $madeBy): FormerMaking
    {
        $then = new FormerMaking(
            self::recipes($fields),
            array_filter($named, static fn (array $each): bool => $each !== []),
            $madeBy,
        );
        if (! $fields->has('former')) {
            return $then;
        }
        $former = $fields->child('former');
        $connectors = [];
        foreach (array_keys($former->entries('connectors')) as $connector) {
            $connectors[$connector] = $former->child('connectors')->textMap((string) $connector);
        }
        $kept = new FormerMaking(
            self::recipes($former),
            $connectors,
            self::madeBy($former),
            $former->textMap('marks'),
        );
        $former->done();

        return $then->plus($kept);
    }

    /** @return array<int|string, Recipe> */
    private static function recipes(Fields $fields): array
    {
        return array_column($fields->each('recipes', RecipeCodec::decode(...)), null, 'id');
    }

    /** @return array<int|string, list<FormerProcedure>> */
    private static function madeBy(Fields $former): array
    {
        $madeBy = [];
        foreach (array_keys($former->entries('madeBy')) as $recipe) {
            $madeBy[$recipe] = $former->child('madeBy')->each(
                (string) $recipe,
                static fn (Fields $each): FormerProcedure => new FormerProcedure(
                    $each->name('procedure'),
                    $each->texts('connectors'),
                ),
            );
        }

        return $madeBy;
    }

    /**
     * What a procedure stood for, where it says so itself.
     *
     * @param  array<int|string, list<FormerProcedure>>  $madeBy
     * @return array<int|string, list<FormerProcedure>>
     */
    public static function standing(Fields $procedure, array $madeBy): array
    {
        foreach ($procedure->texts('inPlaceOf') as $recipe) {
            $madeBy[$recipe][] = new FormerProcedure($procedure->text('id', ''), $procedure->texts('connectors'));
        }

        return $madeBy;
    }

    /** @return ?array<int|string, mixed> null where there was nothing before */
    public static function encode(FormerMaking $former): ?array
    {
        if ($former->isEmpty()) {
            return null;
        }
        $objects = static fn (array $of): ?object => $of === [] ? null : (object) $of;
        $madeBy = array_map(
            static fn (array $makers): array => array_map(
                static fn (FormerProcedure $made): array => CatalogueEncoder::brief([
                    'procedure' => $made->procedure,
                    'connectors' => $made->connectors,
                ]),
                $makers,
            ),
            array_intersect_key($former->madeBy, self::meant($former)),
        );

        return CatalogueEncoder::brief([
            'recipes' => array_map(RecipeCodec::encode(...), array_values($former->recipes)),
            'connectors' => $objects(array_map(static fn (array $named): object => (object) $named, $former->named)),
            'madeBy' => $objects(array_filter($madeBy, static fn (array $makers): bool => $makers !== [])),
        ]);
    }

    /** @return array<int|string, mixed> by the recipes that it speaks of; what ships speaks of others too */
    private static function meant(FormerMaking $former): array
    {
        return $former->recipes + $former->chosen +
            array_flip(array_merge(...array_map(array_values(...), array_values($former->named)), ...[[]]));
    }
}
