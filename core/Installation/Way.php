<?php

declare(strict_types=1);

namespace Sartal\Core\Installation;

use Sartal\Core\Measure\Length;

/** A piece of the building that cables lie in. Runs share ways and never type their length. */
final readonly class Way
{
    public function __construct(
        public string $id,
        public string $name,
        public string $kind,
        public Length $length,
    ) {
    }
}
