<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** A place in a modular connector that takes an insert of one family. */
final readonly class Bay
{
    /** @param  bool  $bareOnly  a plug with a moulded boot does not enter */
    public function __construct(
        public string $name,
        public string $accepts,
        public Point $centre,
        public bool $bareOnly = true,
    ) {
    }
}
