<?php

declare(strict_types=1);

namespace App\Planning;

/** Kinds of catalogue types, and the lists of a file that hold them. */
final class TypeKinds
{
    public const LISTS = [
        'cable' => 'cables',
        'connector' => 'connectors',
        'signal' => 'signals',
        'plan' => 'plans',
        'part' => 'parts',
        'recipe' => 'recipes',
    ];

    /**
     * Pinned types with an installation's own laid over them, in a file's shape.
     *
     * @param  array<int|string, mixed>  $pinned
     * @param  array<int|string, list<array<int|string, mixed>>>  $own  kind → definitions
     * @return array<int|string, mixed>
     */
    public static function merged(array $pinned, array $own): array
    {
        foreach (self::LISTS as $kind => $list) {
            $entries = is_array($pinned[$list] ?? null) ? $pinned[$list] : [];
            $pinned[$list] = array_values(
                array_replace(array_column($entries, null, 'id'), array_column($own[$kind] ?? [], null, 'id')),
            );
        }

        return $pinned;
    }
}
