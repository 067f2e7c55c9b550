<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** A piece of a cable where it is cut across: a circle, in mm from the cable's middle. */
final readonly class FaceCircle
{
    /** @param  string  $path  of the element; "" the sheath */
    public function __construct(
        public string $path,
        public ElementKind $kind,
        public string $label,
        public string $colour,
        public float $x,
        public float $y,
        public float $radius,
    ) {
    }
}
