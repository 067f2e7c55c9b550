<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Length;

/** The drawn shape of a connector's face. */
final readonly class Outline
{
    /**
     * @param  string  $shape  "round", "rectangle" or "d"
     * @param  ?Point  $key  where the key, notch or latch sits on the mating face
     * @param  Length  $contact  diameter that a contact is drawn with
     */
    public function __construct(
        public string $shape,
        public Length $width,
        public Length $height,
        public ?Point $key,
        public Length $contact,
    ) {
    }
}
