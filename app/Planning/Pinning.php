<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\File\CatalogueDecoder;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\Catalogue;

/** Adds types to those that an installation keeps. A type that is pinned already stays as it is. */
final class Pinning
{
    /**
     * @param  array<int|string, mixed>  $stored
     * @return array<int|string, mixed>
     */
    public static function more(array $stored, Catalogue $used): array
    {
        $problems = new Problems();
        $pinned = CatalogueDecoder::catalogue(Fields::from($stored, 'catalogue', $problems));
        $problems->settle();

        return CatalogueEncoder::catalogue($pinned->plus($used));
    }
}
