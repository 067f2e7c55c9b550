<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Catalogue\Catalogue;
use Sartal\Core\Document\CatalogueDecoder;
use Sartal\Core\Document\CatalogueEncoder;
use Sartal\Core\Document\Fields;
use Sartal\Core\Document\Problems;

/** Adds types to those that an installation keeps. A type that is pinned already stays as it is. */
final class Pinning
{
    /**
     * @param  array<int|string, mixed>  $stored
     * @return array<int|string, mixed>
     */
    public static function more(array $stored, Catalogue $used): array
    {
        $problems = new Problems;
        $pinned = CatalogueDecoder::catalogue(Fields::of($stored, 'catalogue', $problems));
        $problems->settle();

        return CatalogueEncoder::catalogue($pinned->plus($used));
    }
}
