<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Catalogue\FireClass;

/** A place where cables end. Ways lead to it by its id. */
final readonly class Location
{
    /**
     * @param  FireClass  $fire  what local code asks of the cables there
     * @param  string  $level  floor, gallery or roof that it is on; "" where nobody said
     */
    public function __construct(
        public string $id,
        public string $name,
        public FireClass $fire = FireClass::Unrated,
        public ?MapPoint $at = null,
        public ?Rack $rack = null,
        public string $level = '',
    ) {
    }
}
