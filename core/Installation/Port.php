<?php

declare(strict_types=1);

namespace Sartal\Core\Installation;

/** A socket of a device: a connector that is already there. */
final readonly class Port
{
    public function __construct(
        public string $id,
        public string $name,
        public string $connector,
        public ?string $plan = null,
    ) {
    }
}
