<?php

declare(strict_types=1);

namespace App\Contract;

/**
 * Parts of an installation's file that answers hold as they are. What they are is said once, in the file's own schema,
 * and the contract takes it from there.
 *
 * @phpstan-type FileRules array<int|string, mixed>
 * @phpstan-type FileLocation array<int|string, mixed>
 * @phpstan-type FileJunction array<int|string, mixed>
 * @phpstan-type FileWay array<int|string, mixed>
 * @phpstan-type FilePanel array<int|string, mixed>
 * @phpstan-type FileLoom array<int|string, mixed>
 * @phpstan-type FileReel array<int|string, mixed>
 * @phpstan-type FileWorkshop array<int|string, mixed>
 * @phpstan-type FileTesting array<int|string, mixed>
 * @phpstan-type FileDemand array<int|string, mixed>
 * @phpstan-type FileReading array<int|string, mixed>
 */
final class FileParts
{
    public const SCHEMA = 'docs/schema/installation.schema.json';

    /** Type → where the file's schema says what it is. */
    public const AT = [
        'FileRules' => '/properties/installation/properties/rules',
        'FileLocation' => '/properties/locations/items',
        'FileJunction' => '/properties/junctions/items',
        'FileWay' => '/properties/ways/items',
        'FilePanel' => '/properties/panels/items',
        'FileLoom' => '/properties/looms/items',
        'FileReel' => '/properties/reels/items',
        'FileWorkshop' => '/properties/workshop',
        'FileTesting' => '/properties/testing',
        'FileDemand' => '/properties/circuits/items/properties/demand',
        'FileReading' => '/$defs/event/properties/reading',
    ];
}
