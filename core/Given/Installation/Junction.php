<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A place where ways meet and no cable ends. */
final readonly class Junction
{
    /** @param  string  $level  floor, gallery or roof that it is on; "" where nobody said */
    public function __construct(
        public string $id,
        public string $name,
        public ?MapPoint $at = null,
        public string $level = '',
    ) {
    }
}
