<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;

/** A row as it is to become: null takes it out. */
final readonly class Edit
{
    /** @var ?array<int|string, mixed> in the shape of the file format, as the database gives it back */
    public ?array $after;

    /**
     * @param  ?array<int|string, mixed>  $after  in the shape of the file format
     * @param  ?int  $version  under which the person read it; null where nobody else can have changed it
     * @param  ?array<int|string, mixed>  $was  what it was made of, where what is changed has no version of its own
     */
    public function __construct(
        public DecisionKind $kind,
        public string $key,
        ?array $after,
        public ?int $version = null,
        public ?array $was = null,
    ) {
        $this->after = $after === null ? null : Decided::plain($after);
    }

    /** Takes it out. */
    public static function without(DecisionKind $kind, string $key, ?int $version = null): self
    {
        return new self($kind, $key, null, $version);
    }
}
