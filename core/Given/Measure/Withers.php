<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * Copies of a value that differ in something. Everything else goes along
 * whatever properties there are, so that none that is added later is lost.
 * For final classes whose constructor takes each property by its name; what a
 * constructor works out for itself stands in DERIVED.
 */
trait Withers
{
    /** @param  array<string, mixed>  $changes  property → what it is in the copy */
    private function copy(array $changes): static
    {
        $all = array_replace(array_diff_key(get_object_vars($this), self::DERIVED), $changes);

        return (new \ReflectionClass($this))->newInstanceArgs($all);
    }
}
