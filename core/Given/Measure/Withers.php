<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * Copies of a value that differ in something. Everything else goes along
 * whatever properties there are, so that none that is added later is lost.
 * For classes whose constructor is public and takes each property by its name.
 */
trait Withers
{
    /** @param  array<string, mixed>  $changes  property → what it is in the copy */
    private function with(array $changes): static
    {
        $class = new \ReflectionClass($this);
        $arguments = [];
        foreach ($class->getConstructor()?->getParameters() ?? [] as $parameter) {
            $name = $parameter->getName();
            $arguments[$name] = array_key_exists($name, $changes) ? $changes[$name] : $this->{$name};
        }

        return $class->newInstanceArgs($arguments);
    }
}
