<?php

declare(strict_types=1);

namespace App\Planning;

/** A row as it is to become: null takes it out. */
final readonly class Edit
{
    /**
     * @param  string  $kind  "run", a kind of part, or "rules"
     * @param  ?array<int|string, mixed>  $after  in the shape of the file format
     * @param  ?int  $version  under which the person read it; null where nobody else can have changed it
     */
    public function __construct(
        public string $kind,
        public string $key,
        public ?array $after,
        public ?int $version = null,
    ) {
    }
}
