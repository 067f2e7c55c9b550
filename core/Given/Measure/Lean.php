<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * For values of which thousands are written down and read together. Read or written as PHP does it by itself, each of
 * them would carry a table of its fields for as long as it lives: some 400 octets beside what it says.
 */
trait Lean
{
    /** @return array<array-key, mixed> by field: asked for all at once, each would get that table again */
    public function __serialize(): array
    {
        $all = [];
        foreach (FieldNames::of(self::class) as $field) {
            $all[$field] = $this->{$field};
        }

        return $all;
    }

    /** @param  array<array-key, mixed>  $data  by field */
    public function __unserialize(array $data): void
    {
        foreach ($data as $field => $value) {
            $this->{$field} = $value;
        }
    }
}
